import { type Day, isoDay } from '../../calendar/day';
import { foldName } from '../../note/names/names';
import { journalPath } from '../../note/names/path';
import type { NoteSummary } from './overview';

/**
 * The notes that claim a day as its journal page, the one that counts first: those whose front matter says kind
 * journal before those that are only called by the date, then by path. A page of another journal claims its day in that one only.
 *
 * @param journal the name of another journal; null for the one there is always
 */
export function journalClaims(notes: readonly NoteSummary[], day: Day, journal: string | null = null): NoteSummary[] {
  const name = journal === null ? null : foldName(journal);
  return notes
    .filter((note) => note.journal === day && (note.journalName === undefined ? null : foldName(note.journalName)) === name)
    .sort((a, b) => Number(b.journalSaid) - Number(a.journalSaid) || (a.path < b.path ? -1 : 1));
}

/** The path of a day's journal page: that of the note that counts, else of the one that would be made. */
export function journalPathOf(notes: readonly NoteSummary[], day: Day): string {
  return journalClaims(notes, day)[0]?.path ?? journalPath(isoDay(day));
}

/** The page of a day in the journal that is chosen; null where another journal has none. */
export const pageInJournal = (notes: readonly NoteSummary[], day: Day, journal: string | null): string | null =>
  journal === null ? journalPathOf(notes, day) : (journalClaims(notes, day, journal)[0]?.path ?? null);
