import type { NoteSummary } from '../../../core/index/live/overview';
import { plainName } from './plain-name';

/** More than a person looks through; what a menu holds is drawn and compared at every key. */
const MOST = 60;

/**
 * The notes whose title or path has every typed word, so many at most as a menu can hold: first what is called just so, then what begins
 * so, the rest in the order in which they are given.
 *
 * @example notesNamed(notes, 'salt glass') // finds “Salt on the Glass” among ten thousand
 */
export function notesNamed(notes: readonly NoteSummary[], typed: string, most = MOST): NoteSummary[] {
  const wanted = plainName(typed.trim());
  const words = wanted.split(/\s+/).filter((word) => word !== '');
  if (words.length === 0) return notes.slice(0, most);
  const exact: NoteSummary[] = [];
  const begun: NoteSummary[] = [];
  const others: NoteSummary[] = [];
  for (const note of notes) {
    const title = plainName(note.title);
    if (title === wanted) exact.push(note);
    else if (title.startsWith(wanted)) begun.push(note);
    else if (others.length < most && words.every((word) => title.includes(word) || plainName(note.path).includes(word))) others.push(note);
  }
  return [...exact, ...begun, ...others].slice(0, most);
}
