import type { Day } from '../../../core/calendar/day';
import type { Fit } from '../../../core/index/days/fit';
import type { DayItem } from '../../../core/day/day-items';
import { isOpen } from '../../../core/task/line/status';

/** What the open tasks of a day come to. */
export interface DaySums {
  /** Minutes of those that say or leave one. */
  chosen: number;
  /** How many open tasks have no length. */
  unknown: number;
  done: number;
  tasks: number;
  /** Minutes of what is done, and of all. */
  doneMinutes: number;
  allMinutes: number;
}

/** The sums of a day, as its tasks stand. */
export function sumsOf(items: readonly Pick<DayItem, 'kind' | 'minutes' | 'status'>[]): DaySums {
  const tasks = items.filter(({ kind, status }) => kind === 'task' && status !== 'cancelled');
  const open = tasks.filter(({ status }) => status !== null && isOpen(status));
  return {
    chosen: minutesOf(open),
    unknown: open.filter(({ minutes }) => minutes === null).length,
    done: tasks.length - open.length,
    tasks: tasks.length,
    doneMinutes: minutesOf(tasks.filter(({ status }) => status === 'done')),
    allMinutes: minutesOf(tasks),
  };
}

const minutesOf = (items: readonly { minutes: number | null }[]): number => items.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0);

/** The first day until which more is due than there are hours, and how many minutes more; null where all fits. */
export function firstOverload({ days }: Pick<Fit, 'days'>): { day: Day; minutes: number } | null {
  let left = 0;
  for (const { day, hours, load } of days) {
    left += hours - load;
    if (left < 0) return { day, minutes: -left };
  }
  return null;
}
