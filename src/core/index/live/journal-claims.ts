import type { Day } from '../../calendar/day';
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
