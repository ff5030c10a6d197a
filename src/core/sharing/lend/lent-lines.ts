import { lineText, splitLines } from '../../note/blocks/lines';
import { readOutline, roomOf } from '../../note/outline/outline-edits';
import type { Item } from '../../note/blocks/structure';
import type { ClauseName } from '../../task/line/clause';
import { readTail } from '../../task/line/tail';
import { withoutClause } from '../../task/writing/write-tail';
import type { LentPart } from './lent-part';

/** What stays with its owner: by these clauses a line hangs together with others that are not lent. */
const KEPT_BACK: readonly ClauseName[] = ['ref', 'needs', 'joined', 'sent'];

/** Most lines hold none of them, and reading a tail costs more than a look. */
const MAY_KEEP = new RegExp(`\\b(?:${KEPT_BACK.join('|')})\\s`, 'i');

/** A line of what is lent. */
export interface LentLine {
  /** As it stands in the note. */
  raw: string;
  /** As it is lent: without what indents the whole part, and without what is kept back. */
  text: string;
  /** What is kept back of it, each clause as written, by its name. */
  kept: readonly KeptClause[];
}

export interface KeptClause {
  name: ClauseName;
  words: string;
}

/** The lines of a part, as they stand and as they are lent. */
export function lentLines(text: string, part: LentPart): LentLine[] {
  const lines = splitLines(text);
  const { structure } = readOutline(text);
  const items = new Map<number, Item>();
  for (const item of structure.items) if (item.wordsFrom >= 0) items.set(item.line, item);
  const indent = indentOf(text, part);
  const lent: LentLine[] = [];
  for (let at = part.first; at <= part.last; at++) {
    const raw = lineText(lines, at);
    const item = items.get(at);
    const kept = item ? keptBack(raw, item.wordsFrom) : [];
    const open = kept.reduce((words, { name }) => withoutClause(words, item?.wordsFrom ?? 0, name), raw);
    lent.push({ raw, text: outdented(open, indent), kept });
  }
  return lent;
}

/** A part of a note as it is lent. */
export const lentText = (text: string, part: LentPart): string =>
  lentLines(text, part)
    .map((line) => line.text)
    .join('\n');

/** What stands before the marker of an item that is lent, on each of its lines; empty for other parts. */
export function indentOf(text: string, { kind, first }: LentPart): string {
  if (kind !== 'item') return '';
  const outline = readOutline(text);
  const item = outline.structure.items.find((one) => one.line === first);
  return item ? lineText(outline.lines, first).slice(0, item.markerFrom) : '';
}

function outdented(line: string, indent: string): string {
  if (line.startsWith(indent)) return line.slice(indent.length);
  if (line.trim() === '' || line.trim() === indent.trim()) return '';
  // Words that go on lazily stand further out than their item (CommonMark 0.31.2 §5.2).
  return line.slice(Math.min(roomOf(line), indent.length));
}

/** A line of what was lent as it stands in the note. */
export const indented = (line: string, indent: string): string => (line.trim() === '' ? (indent + line).trimEnd() : indent + line);

function keptBack(line: string, wordsFrom: number): KeptClause[] {
  const tail = MAY_KEEP.test(line) ? readTail(line, wordsFrom) : null;
  if (!tail) return [];
  return tail.clauses.flatMap(({ name, from, to }) =>
    name !== null && KEPT_BACK.includes(name) ? [{ name, words: line.slice(from, to) }] : [],
  );
}

/** A line without what is kept back. */
export const without = (line: string, wordsFrom: number): string =>
  MAY_KEEP.test(line) ? KEPT_BACK.reduce((words, name) => withoutClause(words, wordsFrom, name), line) : line;
