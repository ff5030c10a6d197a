import { readNote } from '../../task/reading/read-note';
import { searchWords } from '../../search/words';
import type { Library } from '../library';

/** A heading that was looked for. */
export interface FoundHeading {
  path: string;
  noteTitle: string;
  /** From 0. */
  line: number;
  words: string;
}

const MOST = 12;

/** The first headings that hold all of some words, each in the order of typing or not; the last word may be begun only. */
export function headingsWith(library: Library, typed: string): FoundHeading[] {
  const wanted = searchWords(typed);
  const found: FoundHeading[] = [];
  if (wanted.length === 0) return found;
  for (const { head, text, settings } of library.entries.values()) {
    // Most notes tell by one look that they have no such heading.
    if (!mayHold(text, wanted)) continue;
    for (const heading of readNote(head.path, text, settings).structure.headings) {
      if (!holds(heading.words, wanted)) continue;
      found.push({ path: head.path, noteTitle: head.title, line: heading.line, words: heading.words });
      if (found.length === MOST) return found;
    }
  }
  return found;
}

function holds(words: string, wanted: readonly string[]): boolean {
  const said = searchWords(words);
  return wanted.every((want, place) => said.some((word) => (place === wanted.length - 1 ? word.startsWith(want) : word === want)));
}

/** Whether a line that may be a heading holds them: one that begins with `#`, or stands above a rule. */
function mayHold(text: string, wanted: readonly string[]): boolean {
  for (const [line = ''] of text.matchAll(/^ {0,3}#{1,6}[ \t].*$|^.+(?=\r?\n {0,3}(?:=+|-+)[ \t]*$)/gm))
    if (holds(line, wanted)) return true;
  return false;
}
