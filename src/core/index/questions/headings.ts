import { searchWords } from '../../search/words';
import { readNote } from '../../task/reading/read-note';
import type { Library } from '../library';
import { freshKeeper } from './search';

/** A heading that was looked for. */
export interface FoundHeading {
  path: string;
  noteTitle: string;
  /** From 0. */
  line: number;
  words: string;
}

const MOST = 12;
/** So many of the notes that hold the words are read. */
const MOST_READ = 200;

/** The first headings that hold all of some words, in any order, those of the most relevant notes first; the last word may be begun only. */
export function headingsWith(library: Library, typed: string): FoundHeading[] {
  const words = searchWords(typed);
  const found: FoundHeading[] = [];
  for (const { key } of freshKeeper(library).find({ words, phrases: [], open: true }).slice(0, MOST_READ)) {
    const entry = library.entries.get(key);
    if (!entry) continue;
    const { head, text, settings } = entry;
    for (const heading of readNote(head.path, text, settings).structure.headings) {
      if (!holds(heading.words, words)) continue;
      found.push({ path: head.path, noteTitle: head.title, line: heading.line, words: heading.words });
      if (found.length === MOST) return found;
    }
  }
  return found;
}

function holds(heading: string, wanted: readonly string[]): boolean {
  const said = searchWords(heading);
  return wanted.every((want, place) => said.some((word) => (place === wanted.length - 1 ? word.startsWith(want) : word === want)));
}
