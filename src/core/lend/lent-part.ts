import { readOutline, sectionEnd, textEnd } from '../note/outline/outline-edits';
import { readFrontMatter } from '../note/facts/front-matter';
import { splitLines } from '../note/blocks/lines';

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
  return item ? { kind, first: line, last: item.lastLine } : null;
}

function wholeNote(text: string): LentPart {
  const lines = splitLines(text);
  const first = readFrontMatter(lines).lineCount;
  return { kind: 'note', first, last: textEnd({ lines, structure: NONE }) - 1 };
}

const NONE = { kinds: new Uint8Array(), items: [], headings: [], fences: [] };
