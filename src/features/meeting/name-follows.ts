import type { Day } from '../../core/calendar/day';
import { meetingFileName } from '../../core/meeting/meeting-title';
import { baseNameOf } from '../../core/note/names/path';
import type { Services } from '../session/state/services';

/**
 * Gives a meeting another title; where the name of its file says its day, it says the day that it has now.
 *
 * @param called its title now
 * @param wanted the title it is to have, which may be the same
 * @returns null where nothing has to be renamed
 */
export async function nameFollows(
  actions: Services['actions'],
  path: string,
  { called, wanted, date }: { called: string; wanted: string; date: Day | null },
): Promise<{ path: string } | { refused: string } | null> {
  const base = baseNameOf(path);
  const dated = /^\d{4}-\d{2}-\d{2} /.test(base);
  const file = dated ? meetingFileName(date, wanted) : wanted;
  return wanted === called && (!dated || file === base) ? null : actions.rename(path, wanted, file);
}
