import { type Day, weekdayOf } from '../../calendar/day';
import type { DaySettings } from '../day-settings';

/** From when to when, in minutes after midnight of a day; before it below 0, on the next one from 1440. */
export interface Stretch {
  from: number;
  to: number;
}

/** The working hours of a day, which may be none. */
export function workingStretch(day: Day, { workingHours, dayBegins }: Pick<DaySettings, 'workingHours' | 'dayBegins'>): Stretch {
  return { from: dayBegins, to: dayBegins + Math.round((workingHours[weekdayOf(day) - 1] ?? 0) * 60) };
}

/** The parts of a stretch that others leave free, in their order; what overlaps is taken once. */
export function freeIn({ from, to }: Stretch, taken: readonly Stretch[]): Stretch[] {
  const free: Stretch[] = [];
  let at = from;
  for (const one of taken.toSorted((a, b) => a.from - b.from)) {
    if (one.to <= at || one.to <= one.from) continue;
    if (one.from >= to) break;
    if (one.from > at) free.push({ from: at, to: one.from });
    at = one.to;
  }
  if (at < to) free.push({ from: at, to });
  return free;
}

/**
 * The hours of a day, in minutes: its working hours, less what appointments and meetings take of them.
 *
 * @param after only what lies after it, as for today after now; minutes after midnight
 * @example hoursOf(monday, [{ from: 570, to: 630 }], { workingHours: [6, 6, 6, 6, 6, 0, 0], dayBegins: 540 }) // 300
 */
export function hoursOf(
  day: Day,
  taken: readonly Stretch[],
  settings: Pick<DaySettings, 'workingHours' | 'dayBegins'>,
  after = -Infinity,
): number {
  const { from, to } = workingStretch(day, settings);
  return freeIn({ from: Math.max(from, after), to }, taken).reduce((sum, one) => sum + one.to - one.from, 0);
}
