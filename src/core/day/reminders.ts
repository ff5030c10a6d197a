import type { Now } from '../calendar/span';
import { readMoment, readTime } from '../calendar/span';
import { readDuration } from '../calendar/duration';
import type { Task } from '../task/line/task';

/** When reminders without a time of their own come, in minutes after midnight. */
const MORNING = 540;
const MINUTES_OF_DAY = 1440;

/**
 * The moments at which a task reminds, the first one first. One before a date is before the time of its plan, else of its due day,
 * else before 09:00 of its day; one that is only a time is on the day of its plan, else its due day. Those that hang on a date which is
 * not there remind of nothing.
 *
 * @example remindersOf(task('{plan 2026-11-25 14:00; remind 1h before}')) // [{ day: 20782, minute: 780 }]
 */
export function remindersOf({ remind, plan, due }: Pick<Task, 'remind' | 'plan' | 'due'>): Now[] {
  if (remind === null) return [];
  const at = [plan, due].find((span) => span?.minute != null) ?? plan ?? due;
  const found = remind.split(',').flatMap((one): Now[] => {
    const words = one.trim();
    const moment = readMoment(words);
    if (moment) return [{ day: moment.from, minute: moment.minute ?? MORNING }];
    if (!at) return [];
    const time = readTime(words);
    if (time !== null) return [{ day: (plan ?? at).from, minute: time }];
    const before = minutesBefore(words);
    return before === null ? [] : [earlier({ day: at.from, minute: at.minute ?? MORNING }, before)];
  });
  return found.sort(compareMoments);
}

/** Minutes of the real day: `2 days before` is two times 24 hours. */
function minutesBefore(words: string): number | null {
  const [, number, unit] = /^(\d+) (day|week)s? before$/.exec(words) ?? [];
  if (number !== undefined) return Number(number) * MINUTES_OF_DAY * (unit === 'week' ? 7 : 1);
  const [, duration] = /^(.+) before$/.exec(words) ?? [];
  return duration === undefined ? null : readDuration(duration, MINUTES_OF_DAY);
}

function earlier({ day, minute }: Now, minutes: number): Now {
  const all = day * MINUTES_OF_DAY + minute - minutes;
  return { day: Math.floor(all / MINUTES_OF_DAY), minute: all - Math.floor(all / MINUTES_OF_DAY) * MINUTES_OF_DAY };
}

/** Below 0 where the first moment is the earlier one. */
export const compareMoments = (a: Now, b: Now): number => a.day - b.day || a.minute - b.minute;
