import { HighlightStyle, syntaxTree } from '@codemirror/language';
import type { EditorState, Extension, Line, Range } from '@codemirror/state';
import { Decoration, EditorView } from '@codemirror/view';
import { highlightTree, tags } from '@lezer/highlight';

/** How the parts of Markdown look that carry their own signs. */
const markdownLook = HighlightStyle.define([
  { tag: tags.strong, fontWeight: '700' },
  { tag: tags.emphasis, fontStyle: 'italic' },
  { tag: tags.strikethrough, textDecoration: 'line-through' },
  { tag: tags.monospace, fontFamily: 'var(--font-mono)', fontSize: '0.92em' },
  { tag: tags.url, color: 'var(--muted)' },
  { tag: [tags.processingInstruction, tags.meta, tags.contentSeparator], color: 'var(--muted)' },
  { tag: tags.quote, color: 'var(--muted)' },
]);

/** The rules of that look; its marks are put where lines are decorated. */
export const markdownStyle: Extension = markdownLook.module ? EditorView.styleModule.of(markdownLook.module) : [];

type Tree = ReturnType<typeof syntaxTree>;

/** How a part of a tree's text looks by its Markdown. */
export function lookOfMarkdown(tree: Tree, { from, to }: { from: number; to: number }, start = 0): Range<Decoration>[] {
  const ranges: Range<Decoration>[] = [];
  const put = (first: number, last: number, name: string): void => void ranges.push(lookOf(name).range(first + start, last + start));
  highlightTree(tree, markdownLook, put, from - start, to - start);
  return ranges;
}

/** How a line looks by its Markdown: found in the innermost block around it, since a long text has many blocks before it. */
export function lookOfLine(state: EditorState, { from, to, text }: Line): Range<Decoration>[] {
  const indent = text.search(/\S/);
  if (indent === -1) return [];
  let node = syntaxTree(state).resolve(from + indent, 1);
  while (node.parent && node.to < to) node = node.parent;
  return lookOfMarkdown(node.toTree(), { from: Math.max(from, node.from), to: Math.min(to, node.to) }, node.from);
}

const looks = new Map<string, Decoration>();

/** The mark of a class of Markdown's look; one for each class. */
function lookOf(name: string): Decoration {
  let look = looks.get(name);
  if (!look) looks.set(name, (look = Decoration.mark({ class: name })));
  return look;
}
