/**
 * Days as whole numbers, so that the index can compare and sort them without dates.
 *
 * A `Day` counts the days since 1970-01-01 in the proleptic Gregorian calendar of ISO 8601; it has no
 * zone. Formulas: Howard Hinnant, "chrono-Compatible Low-Level Date Algorithms" (from memory).
 */
export type Day = number;

/** ISO 8601 weekday: Monday is 1, Sunday is 7. */
export type Weekday = 1 | 2 | 3 | 4 | 5 | 6 | 7;

export interface CivilDate {
  year: number;
  /** 1 to 12. */
  month: number;
  /** 1 to 31. */
  day: number;
}

/** The day number of a calendar date that exists. `dayFrom({year: 1970, month: 1, day: 2})` is 1. */
export function dayFrom({ year, month, day }: CivilDate): Day {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yearOfEra = y - era * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * 146097 + dayOfEra - 719468;
}

/** The day of a moment, by the clock on the wall where the program runs. */
export function dayOfDate(date: Date): Day {
  return dayFrom({ year: date.getFullYear(), month: date.getMonth() + 1, day: date.getDate() });
}

/** The calendar date of a day number. */
export function civilFrom(value: Day): CivilDate {
  const z = value + 719468;
  const era = Math.floor(z / 146097);
  const dayOfEra = z - era * 146097;
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36524) - Math.floor(dayOfEra / 146096)) / 365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const shifted = Math.floor((5 * dayOfYear + 2) / 153);
  const month = shifted < 10 ? shifted + 3 : shifted - 9;
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    day: dayOfYear - Math.floor((153 * shifted + 2) / 5) + 1,
  };
}

function isLeapYear(year: number): boolean {
  return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0);
}

/** The number of days of a month. `daysInMonth(2028, 2)` is 29. */
export function daysInMonth(year: number, month: number): number {
  if (month === 2) return isLeapYear(year) ? 29 : 28;
  return month === 4 || month === 6 || month === 9 || month === 11 ? 30 : 31;
}

/** Whether such a date exists in the years 1 to 9999, which is what ISO's four digits can say. */
export function dateExists({ year, month, day }: CivilDate): boolean {
  return year >= 1 && year <= 9999 && month >= 1 && month <= 12 && day >= 1 && day <= daysInMonth(year, month);
}

const ISO_DAY = /^(\d{4})-(\d{2})-(\d{2})$/;

/** Reads `2026-11-27`; null when the words have another shape or no such day exists. */
export function readIsoDay(words: string): Day | null {
  // Nearly all that is asked for is no day, which its length tells.
  const match = words.length === 10 ? ISO_DAY.exec(words) : null;
  if (!match) return null;
  const date = { year: Number(match[1]), month: Number(match[2]), day: Number(match[3]) };
  return dateExists(date) ? dayFrom(date) : null;
}

/** Whether the words have the shape of an ISO day, whether or not it exists. */
export function hasIsoDayShape(words: string): boolean {
  return ISO_DAY.test(words);
}

const pad = (value: number, width: number): string => String(value).padStart(width, '0');

/** `2026-11-27`. */
export function isoDay(value: Day): string {
  const { year, month, day } = civilFrom(value);
  return `${pad(year, 4)}-${pad(month, 2)}-${pad(day, 2)}`;
}

export function weekdayOf(value: Day): Weekday {
  return (((((value + 3) % 7) + 7) % 7) + 1) as Weekday;
}

/** The first day of the week that holds `value`, for weeks that begin on `first`. */
export function startOfWeek(value: Day, first: Weekday): Day {
  return value - ((weekdayOf(value) - first + 7) % 7);
}

export function startOfMonth(value: Day): Day {
  return value - civilFrom(value).day + 1;
}

export function endOfMonth(value: Day): Day {
  const { year, month } = civilFrom(value);
  return startOfMonth(value) + daysInMonth(year, month) - 1;
}

/** The same day of the month `count` months on, or the last day of a shorter month. */
export function addMonths(value: Day, count: number): Day {
  const { year, month, day } = civilFrom(value);
  const months = year * 12 + (month - 1) + count;
  const target = { year: Math.floor(months / 12), month: (((months % 12) + 12) % 12) + 1 };
  return dayFrom({ ...target, day: Math.min(day, daysInMonth(target.year, target.month)) });
}

export interface IsoWeek {
  year: number;
  /** 1 to 53. */
  week: number;
}

/** The ISO 8601 week that holds a day: weeks start on Monday, week 1 holds the year's first Thursday. */
export function isoWeekOf(value: Day): IsoWeek {
  const thursday = value - weekdayOf(value) + 4;
  const { year } = civilFrom(thursday);
  return { year, week: Math.floor((thursday - dayFrom({ year, month: 1, day: 1 })) / 7) + 1 };
}

/** The Monday of an ISO week. */
export function mondayOfWeek({ year, week }: IsoWeek): Day {
  const fourth = dayFrom({ year, month: 1, day: 4 });
  return startOfWeek(fourth, 1) + (week - 1) * 7;
}

/** 52 or 53. */
export function weeksInYear(year: number): number {
  return isoWeekOf(dayFrom({ year, month: 12, day: 28 })).week;
}

/** `2026-W48`. */
export function isoWeekName({ year, week }: IsoWeek): string {
  return `${pad(year, 4)}-W${pad(week, 2)}`;
}
