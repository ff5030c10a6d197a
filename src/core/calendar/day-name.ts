import { type Day, civilFrom, isoDay, weekdayOf } from './day';

const WEEKDAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
export const WEEKDAY_LONG = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
export const MONTH_NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** How dates look in lists and chips: words ("Fri 27 Nov") or ISO ("2026-11-27"). */
export type DateStyle = 'words' | 'iso';

/** `Nov 2026`, of any day in it. */
export function monthTitle(day: Day): string {
  const { year, month } = civilFrom(day);
  return `${MONTH_NAMES[month - 1]} ${year}`;
}

/** `Mon`. */
export function weekdayName(day: Day): string {
  return WEEKDAY_NAMES[weekdayOf(day) - 1] ?? '';
}

/**
 * A day as people say it near `today`: today, tomorrow, yesterday, `Fri 27` within six days, `Fri 27 Nov`
 * within half a year, else `12 Feb 2027`.
 */
export function dayName(day: Day, today: Day, style: DateStyle = 'words'): string {
  const distance = day - today;
  if (distance === 0) return 'today';
  if (distance === 1) return 'tomorrow';
  if (style === 'iso') return isoDay(day);
  if (distance === -1) return 'yesterday';
  const { year, month, day: date } = civilFrom(day);
  const monthName = MONTH_NAMES[month - 1];
  if (Math.abs(distance) > 183) return `${date} ${monthName} ${year}`;
  const weekday = weekdayName(day);
  return Math.abs(distance) < 7 && month === civilFrom(today).month ? `${weekday} ${date}` : `${weekday} ${date} ${monthName}`;
}

/** The day in full, for headings and for readers of the screen: `Monday 23 November 2026` in short month form. */
export function dayTitle(day: Day): string {
  const { year, month, day: date } = civilFrom(day);
  return `${WEEKDAY_LONG[weekdayOf(day) - 1]} ${date} ${MONTH_NAMES[month - 1]} ${year}`;
}
