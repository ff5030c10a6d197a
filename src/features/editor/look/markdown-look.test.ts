import { ensureSyntaxTree, syntaxTree } from '@codemirror/language';
import { markdown, markdownLanguage } from '@codemirror/lang-markdown';
import { EditorState } from '@codemirror/state';
import fc from 'fast-check';
import { lookOfLine, lookOfMarkdown } from './markdown-look';
import { runs } from '../../../core/testing/test-runs';

const LINE = fc.constantFrom(
  '# Loans',
  'a **bold** word and *another*, ~~struck~~',
  '- [ ] `code` in a task {due 2026-11-23}',
  '  - deeper **and bold**',
  'https://sea.example and [words](https://sea.example)',
  '```',
  '1. one *two*',
  '',
  '---',
);

/** A text parsed to its end, however busy the machine is; a state takes the tree over with its next change. */
function parsed(doc: string): { state: EditorState; tree: ReturnType<typeof syntaxTree> } {
  const first = EditorState.create({ doc, extensions: [markdown({ base: markdownLanguage })] });
  if (!ensureSyntaxTree(first, doc.length, 30_000)) throw new Error('a short text is parsed');
  const { state } = first.update({});
  return { state, tree: syntaxTree(state) };
}

describe('how Markdown looks', () => {
  it('is the same for a line alone as within the whole text', () => {
    fc.assert(
      fc.property(fc.array(LINE, { minLength: 1, maxLength: 12 }), (lines) => {
        const { state, tree } = parsed(lines.join('\n'));
        const shape = ({ from, to, value }: ReturnType<typeof lookOfLine>[number]): string =>
          `${from}-${to} ${(value.spec as { class: string }).class}`;
        for (let number = 1; number <= state.doc.lines; number++) {
          const line = state.doc.line(number);
          expect(lookOfLine(state, line).map(shape)).toEqual(lookOfMarkdown(tree, line).map(shape));
        }
      }),
      { numRuns: runs(300), seed: 20261123 },
    );
  });

  it('names a bold word and its signs', () => {
    const { state } = parsed('a **bold** word');
    expect(lookOfLine(state, state.doc.line(1)).map(({ from, to }) => state.sliceDoc(from, to))).toEqual(['**', 'bold', '**']);
  });
});
