import type { Day } from '../../calendar/day';
import { type Task, comesBack } from '../line/task';

/**
 * The day on which each task of a note, with every task that it stands under, is back in sight; null where nothing makes
 * it rest.
 *
 * @param lead how many days before its day a repeat comes back; null when repeats never rest
 */
export function restsUntil(tasks: readonly Task[], lead: number | null): (Day | null)[] {
  const days: (Day | null)[] = [];
  for (const task of tasks) {
    const own = comesBack(task, lead);
    const above = task.parent === -1 ? null : (days[task.parent] ?? null);
    days.push(own === null || above === null ? (own ?? above) : Math.max(own, above));
  }
  return days;
}
