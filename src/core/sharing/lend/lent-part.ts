import { type Outline, columnOf, readOutline, roomOf, sectionEnd, textEnd } from '../../note/outline/outline-edits';
import { readFrontMatter } from '../../note/facts/front-matter';
import { lineText, splitLines } from '../../note/blocks/lines';
import type { Item } from '../../note/blocks/structure';

/** What is lent of a note: an item with all under it, the section of a heading, or all but the front matter. */
export type LentKind = 'item' | 'section' | 'note';

/** A run of lines that is lent. */
export interface LentPart {
  kind: LentKind;
  /** From 0. */
  first: number;
  /** The last line, included; the one before `first` where the part holds none. */
  last: number;
}

/**
 * The part that begins at a line (from 0), as the structure of the text has it.
 *
 * @param text with LF line endings
 * @returns null where no item begins there, or no heading outside lists and quotes
 * @example partAt('# Loans\n- [ ] Glass\n# Post', 0, 'section') // { kind: 'section', first: 0, last: 1 }
 */
export function partAt(text: string, line: number, kind: LentKind): LentPart | null {
  if (kind === 'note') return wholeNote(text);
  const outline = readOutline(text);
  if (kind === 'section') {
    const heading = outline.structure.headings.find((one) => one.topLevel && one.line === line);
    return heading ? { kind, first: line, last: sectionEnd(outline, heading) } : null;
  }
  // Where two begin on one line the outer one is meant.
  const item = outline.structure.items.find((one) => one.line === line);
  return item ? { kind, first: line, last: withoutLazy(outline, item) } : null;
}

/** The item that begins at a line (from 0), else the section; null where none does. */
export const branchAt = (text: string, line: number): LentPart | null => partAt(text, line, 'item') ?? partAt(text, line, 'section');

/**
 * The last line of an item that stands in it. Words further out at its foot may belong to it for a reader of Markdown (CommonMark 0.31.2 §5.2, laziness),
 * but whoever put the item above them did not mean that.
 */
function withoutLazy({ lines }: Outline, item: Item): number {
  const first = lineText(lines, item.line);
  const before = first.slice(0, item.markerFrom);
  const inner = item.column - columnOf(first, item.markerFrom);
  let last = item.lastLine;
  while (last > item.line) {
    const words = lineText(lines, last);
    // Behind what stands before the item itself, as the signs of a quote; or, with other room, by its column.
    const isInside = words.startsWith(before) ? widthOf(words.slice(before.length)) >= inner : widthOf(words) >= item.column;
    if (words.trim() !== '' && isInside) break;
    last--;
  }
  return last;
}

/** The column in which the words of a line begin. */
export const widthOf = (line: string): number => columnOf(line, roomOf(line));

function wholeNote(text: string): LentPart {
  const lines = splitLines(text);
  const first = readFrontMatter(lines).lineCount;
  return { kind: 'note', first, last: textEnd({ lines, structure: NONE }) - 1 };
}

const NONE = { kinds: new Uint8Array(), items: [], headings: [], fences: [] };
