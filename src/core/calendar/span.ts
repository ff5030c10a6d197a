import { type Day, dayFrom, dayOfDate, daysInMonth, mondayOfWeek, readIsoDay, weeksInYear } from './day';

/** Days from `from` to `to`, both included; a single day has the two alike. */
export interface DayRange {
  from: Day;
  to: Day;
}

/** A day, week or month as it is written in a tail, with the time of day if there is one. */
export interface Span extends DayRange {
  /** Minutes after midnight; null when no time is written. */
  minute: number | null;
}

const TIME = /^([01]\d|2[0-3]):([0-5]\d)$/;
const WEEK = /^(\d{4})-W(\d{2})$/;
const MONTH = /^(\d{4})-(\d{2})$/;

/** Reads `15:00` as minutes after midnight (ISO 8601, 24 hours); null for anything else. */
export function readTime(words: string): number | null {
  const match = TIME.exec(words);
  return match ? Number(match[1]) * 60 + Number(match[2]) : null;
}

/** `900` is `15:00`. */
export function timeName(minute: number): string {
  return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
}

/** Reads `2026-11-27` or `2026-11-27 15:00` (a `T` between is read too); null for anything else. */
export function readMoment(words: string): Span | null {
  const day = readIsoDay(words.slice(0, 10));
  if (day === null) return null;
  if (words.length === 10) return { from: day, to: day, minute: null };
  const separator = words.charAt(10);
  const minute = separator === ' ' || separator === 'T' ? readTime(words.slice(11).trim()) : null;
  return minute === null ? null : { from: day, to: day, minute };
}

/** Whether the words look like a date with or without a time, also one that does not exist. */
export function hasMomentShape(words: string): boolean {
  return /^\d{4}-\d{2}-\d{2}(?:[ T] *\d{2}:\d{2})?$/.test(words);
}

/** Reads an ISO week, `2026-W48`: Monday to Sunday. Null when the year has no such week. */
export function readWeek(words: string): DayRange | null {
  const match = WEEK.exec(words);
  if (!match) return null;
  const year = Number(match[1]);
  const week = Number(match[2]);
  if (year < 1 || week < 1 || week > weeksInYear(year)) return null;
  const from = mondayOfWeek({ year, week });
  return { from, to: from + 6 };
}

/** Reads a month, `2026-12`. */
export function readMonth(words: string): DayRange | null {
  const match = MONTH.exec(words);
  if (!match) return null;
  const year = Number(match[1]);
  const month = Number(match[2]);
  if (year < 1 || month < 1 || month > 12) return null;
  return {
    from: dayFrom({ year, month, day: 1 }),
    to: dayFrom({ year, month, day: daysInMonth(year, month) }),
  };
}

/** Reads what `plan` may hold: a day, a day and time, a week or a month. */
export function readSpan(words: string): Span | null {
  const moment = readMoment(words);
  if (moment) return moment;
  const range = readWeek(words) ?? readMonth(words);
  return range && { ...range, minute: null };
}

/** Whether the words look like something that `plan` may hold, also one that does not exist. */
export function hasSpanShape(words: string): boolean {
  return hasMomentShape(words) || WEEK.test(words) || MONTH.test(words);
}

/** A moment in ISO form, `2026-11-23 09:14`. */
export interface Now {
  day: Day;
  /** Minutes after midnight. */
  minute: number;
}

/** The minute of a date, in the zone of this machine. */
export const nowOfDate = (date: Date): Now => ({ day: dayOfDate(date), minute: date.getHours() * 60 + date.getMinutes() });
