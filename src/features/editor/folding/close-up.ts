import { EditorState, type Extension, RangeSet, StateEffect, StateField, type Text } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView } from '@codemirror/view';
import { type Outline, blockAt } from '../../../core/note/outline/outline-edits';
import { noteNow } from '../reading/note-field';

/** From the start of the first line that is shown to the end of the last. */
export interface CloseUpRange {
  from: number;
  to: number;
}

/** Shows one item or section alone; null shows the whole note. */
export const closeUpOn = StateEffect.define<CloseUpRange | null>();

interface CloseUp {
  range: CloseUpRange | null;
  hidden: DecorationSet;
}

const WHOLE: CloseUp = { range: null, hidden: Decoration.none };

const closeUpField = StateField.define<CloseUp>({
  create: () => WHOLE,
  update(present, transaction) {
    const { doc } = transaction.state;
    for (const effect of transaction.effects) if (effect.is(closeUpOn)) return closedOn(effect.value, doc);
    if (!present.range || !transaction.docChanged) return present;
    return closedOn({ from: transaction.changes.mapPos(present.range.from, -1), to: transaction.changes.mapPos(present.range.to, 1) }, doc);
  },
  provide: (field) => EditorView.decorations.from(field, ({ hidden }) => hidden),
});

function closedOn(range: CloseUpRange | null, doc: Text): CloseUp {
  if (!range) return WHOLE;
  const away = Decoration.replace({ block: true });
  const parts = [];
  if (range.from > 0) parts.push(away.range(0, range.from - 1));
  if (range.to < doc.length) parts.push(away.range(range.to + 1, doc.length));
  return { range, hidden: RangeSet.of(parts.filter((part) => part.to >= part.from)) };
}

/** What is shown of the text; null for all of it. */
export const closeUpOf = (state: EditorState): CloseUpRange | null => state.field(closeUpField, false)?.range ?? null;

/** Keeps the cursor within the close-up. */
const stayInside = EditorState.transactionFilter.of((transaction) => {
  const range = closeUpOf(transaction.startState);
  if (!range || !transaction.selection || transaction.effects.some((effect) => effect.is(closeUpOn))) return transaction;
  const from = transaction.changes.mapPos(range.from, -1);
  const to = transaction.changes.mapPos(range.to, 1);
  const { main } = transaction.newSelection;
  const inside = (place: number): number => Math.min(Math.max(place, from), to);
  if (main.anchor === inside(main.anchor) && main.head === inside(main.head)) return transaction;
  return [transaction, { selection: { anchor: inside(main.anchor), head: inside(main.head) }, sequential: true }];
});

export const closeUp: Extension = [closeUpField, stayInside];

/** The item or section at a line (from 0) as a range of the text; null when the line stands in none. */
export function closeUpAt(state: EditorState, line: number): CloseUpRange | null {
  const block = blockAt(noteNow(state), line);
  if (!block || block.last >= state.doc.lines) return null;
  return { from: state.doc.line(block.first + 1).from, to: state.doc.line(block.last + 1).to };
}

/** What an item or section is called by its first line: without marker, box and tail. */
export const partTitle = (line: string): string =>
  line
    .replace(/^[\s>]*(?:#+|[-*+]|\d+[.)])\s+(?:\[.\]\s+)?/, '')
    .replace(/\s*\{[^{}]*\}\s*$/, '')
    .trim();

/** What stands above an item or section: the headings and items that hold it, outermost first. */
export function trailOf({ lines, structure }: Outline, line: number): { line: number; words: string }[] {
  const words = (at: number): string => partTitle(lines.text.slice(lines.starts[at], lines.ends[at]));
  const trail: { line: number; words: string }[] = [];
  const open: { level: number; line: number }[] = [];
  for (const heading of structure.headings) {
    if (!heading.topLevel || heading.line >= line) break;
    while ((open.at(-1)?.level ?? 0) >= heading.level) open.pop();
    open.push(heading);
  }
  const own = structure.headings.find((heading) => heading.line === line);
  for (const heading of open) if (!own || heading.level < own.level) trail.push({ line: heading.line, words: words(heading.line) });
  const item = structure.items.findLast((one) => one.line === line);
  const items: number[] = [];
  for (let up = item?.parent ?? -1; up !== -1; up = structure.items[up]?.parent ?? -1) items.unshift(structure.items[up]?.line ?? 0);
  return [...trail, ...items.map((at) => ({ line: at, words: words(at) }))];
}
