import type { Now } from '../../calendar/span';
import { compareMoments, remindersOf } from '../../day/reminders';
import type { Library } from '../library';
import { type FoundTask, foundOf } from './found-task';

/** The reminders of open tasks that come next after a moment; null when none is left. */
export function nextReminder(library: Library, after: Now): { at: Now; tasks: FoundTask[] } | null {
  let next: { at: Now; tasks: FoundTask[] } | null = null;
  for (const group of library.ask('open and with remind\nsteps apart\nincluding resting').answer.groups)
    for (const { row } of group.rows) {
      const at = remindersOf(row.task).find((one) => compareMoments(one, after) > 0);
      if (!at) continue;
      const order = next ? compareMoments(at, next.at) : -1;
      if (order < 0) next = { at, tasks: [foundOf(row)] };
      else if (order === 0) next?.tasks.push(foundOf(row));
    }
  return next;
}
