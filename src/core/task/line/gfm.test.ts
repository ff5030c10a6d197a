/**
 * Outside check: the task list items of GitHub Flavored Markdown 0.29 §5.3, as remark-gfm 4 reads them: the boxes
 * `[ ] [x] [X]` and the words behind them must be the same.
 *
 * Where we differ on purpose, the format says so: a box with nothing behind it is a task (`- [ ]`); the box must
 * stand on the line of the list marker; a task may be a heading by its underline; statuses beyond the three exist;
 * words are those of the first line, without tail.
 */
import type { List, Nodes } from 'mdast';
import fc from 'fast-check';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import { unified } from 'unified';
import { readNote } from '../reading/read-note';
import { runs } from '../../testing/test-runs';

const parser = unified().use(remarkParse).use(remarkGfm);

/** `line: box` of each task that the reference sees. */
function reference(text: string): string[] {
  const found: string[] = [];
  const walk = (node: Nodes): void => {
    if (node.type === 'listItem' && typeof node.checked === 'boolean') {
      const line = node.children[0]?.position?.start.line ?? 0;
      if (line === node.position?.start.line) found.push(`${line}: ${node.checked ? 'closed' : 'open'}`);
    }
    if ('children' in node) node.children.forEach((child) => walk(child));
  };
  walk(parser.parse(text));
  return found;
}

function ours(text: string, withEmpty = false): string[] {
  return readNote('A.md', text)
    .tasks.filter((task) => /^[ xX]$/.test(task.sign) && (withEmpty || task.raw.slice(task.boxFrom + 3).trim() !== ''))
    .map((task) => `${task.line + 1}: ${task.status === 'done' ? 'closed' : 'open'}`);
}

describe('GFM 0.29 §5.3', () => {
  it.each([
    ['example 279', '- [ ] foo\n- [x] bar\n'],
    ['example 280', '- [x] foo\n  - [ ] bar\n  - [x] baz\n- [ ] bim\n'],
    ['numbered', '1. [X] a\n2) [ ] b\n'],
    ['in a quote', '> * [ ] a\n'],
    ['no list', '[ ] a\n'],
    ['no space', '- [ ]a\n- [x]b\n'],
    ['code', '```\n- [ ] a\n```\n\n    - [ ] b\n'],
    ['after a paragraph', 'words\n- [ ] a\n'],
    ['a tab behind the box', '- [ ]\ta\n'],
    ['in a heading', '- # [ ] a\n'],
  ])('%s', (_name, text) => expect(ours(text)).toEqual(reference(text)));

  it('the first example has the words foo and bar', () => {
    const items = (parser.parse('- [ ] foo\n- [x] bar\n').children[0] as List).children;
    expect(items.map((item) => item.checked)).toEqual([false, true]);
    expect(readNote('A.md', '- [ ] foo\n- [x] bar\n').tasks.map((task) => task.text)).toEqual(['foo', 'bar']);
  });

  it('random lists', () => {
    const piece = fc.constantFrom(
      '- ',
      '* ',
      '1. ',
      '  ',
      '    ',
      '> ',
      '\n',
      '\n\n',
      '[ ] ',
      '[x] ',
      '[X] a',
      'a',
      'b c',
      '# ',
      '```\n',
      '[ ]',
    );
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 14 }), (pieces) => {
        const text = pieces.join('');
        // With words on the next line only, the reference sees a task; so do we, but as one without words.
        const seen = reference(text);
        expect(ours(text).filter((task) => !seen.includes(task))).toEqual([]);
        const all = ours(text, true);
        expect(seen.filter((task) => !all.includes(task))).toEqual([]);
      }),
      { numRuns: runs(1500), seed: 20261123 },
    );
  });
});
