import { type Day, addMonths, endOfMonth, civilFrom, isoDay, isoWeekName, isoWeekOf, mondayOfWeek, readIsoDay } from '../../calendar/day';
import type { DateField, GroupKeyName } from '../language/ast';

/** When a task came, and went: what a curve over time is made of. */
export const CURVE_FIELDS: readonly DateField[] = ['made', 'done', 'cancelled'];

type TimeKey = 'day' | 'week' | 'month';

/** Whether what has this key follows one upon the other in even steps. */
export const isTimeKey = (key: GroupKeyName): key is TimeKey => key === 'day' || key === 'week' || key === 'month';

/** More steps than this are not drawn: the last ones are. */
const MOST_STEPS = 800;

/** The first day of a group by day, week or month; null where its key names none. */
export function startOfKey(key: string | null): Day | null {
  if (key === null) return null;
  const week = /^(\d{4})-W(\d{2})$/.exec(key);
  if (week) return mondayOfWeek({ year: Number(week[1]), week: Number(week[2]) });
  return readIsoDay(/^\d{4}-\d{2}$/.test(key) ? `${key}-01` : key);
}

/** The last day of a group by day, week or month. */
export function endOfKey(key: string, by: TimeKey): Day | null {
  const start = startOfKey(key);
  if (start === null || by === 'day') return start;
  return by === 'week' ? start + 6 : endOfMonth(start);
}

/**
 * The keys of all days, weeks or months between two of their first days, those without any task too.
 *
 * @param isIso whether weeks are named by their number; where they begin on another day than Monday, they are named by that day
 */
export function keysBetween(by: TimeKey, from: Day, to: Day, isIso: boolean): string[] {
  const keys: string[] = [];
  for (let at = from; at <= to && keys.length < 100_000; at = by === 'month' ? addMonths(at, 1) : at + (by === 'week' ? 7 : 1))
    keys.push(by === 'month' ? isoDay(at).slice(0, 7) : by === 'week' && isIso ? isoWeekName(isoWeekOf(at)) : isoDay(at));
  return keys.slice(-MOST_STEPS);
}

/** How a day, a week or a month is called on an axis. */
export function timeLabel(key: string): string {
  const day = startOfKey(key);
  if (day === null) return key;
  if (/^\d{4}-\d{2}$/.test(key)) return key;
  const { month, day: ofMonth } = civilFrom(day);
  return key.includes('W') ? (key.split('-')[1] ?? key) : `${ofMonth}.${month}.`;
}
