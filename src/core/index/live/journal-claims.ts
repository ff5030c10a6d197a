import { type Day, isoDay } from '../../calendar/day';
import { journalPath } from '../../note/names/path';
import type { NoteSummary } from './overview';

/**
 * The notes that claim a day as its journal page, the one that counts first: those whose front matter says kind
 * journal before those that are only called by the date, then by path.
 */
export function journalClaims(notes: readonly NoteSummary[], day: Day): NoteSummary[] {
  return notes
    .filter((note) => note.journal === day)
    .sort((a, b) => Number(b.journalSaid) - Number(a.journalSaid) || (a.path < b.path ? -1 : 1));
}

/** The path of a day's journal page: that of the note that counts, else of the one that would be made. */
export function journalPathOf(notes: readonly NoteSummary[], day: Day): string {
  return journalClaims(notes, day)[0]?.path ?? journalPath(isoDay(day));
}
