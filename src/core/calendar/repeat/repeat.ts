import { type Day, type Weekday, civilFrom, weekdayOf } from '../day';

export type RepeatUnit = 'day' | 'weekday' | 'week' | 'month' | 'quarter' | 'year';

/** A weekday of a month: `{ordinal: 1, weekday: 1}` is its first Monday, -1 its last. */
export interface WeekdayOfMonth {
  /** 1 to 5, or -1 for the last. A month without a fifth one has none. */
  ordinal: number;
  weekday: Weekday;
}

/** The rule by which a finished task comes back, as a phrase says it. */
export interface Repeat {
  unit: RepeatUnit;
  /** Every so many units; 1 or more. */
  interval: number;
  /** For weeks, Monday first; empty when the phrase leaves them to the date. */
  weekdays: readonly Weekday[];
  /** For months, quarters and years: 1 to 31, -1 for the last day. */
  monthDays: readonly number[];
  weekdaysOfMonth: readonly WeekdayOfMonth[];
  /** For years, 1 to 12. */
  month: number | null;
  /** Where an interval counts from; the pattern has no date before it. */
  from: Day | null;
  /** Counted from the day it is done instead of by a fixed pattern. */
  afterDone: boolean;
  /** How many times are left, the present one included. */
  count: number | null;
  /** The last day. */
  until: Day | null;
}

export const EMPTY_REPEAT: Repeat = {
  unit: 'day',
  interval: 1,
  weekdays: [],
  monthDays: [],
  weekdaysOfMonth: [],
  month: null,
  from: null,
  afterDone: false,
  count: null,
  until: null,
};

/**
 * The repeat with everything that its phrase leaves out taken from a day: weekday, day of the month, month, and
 * the `from` of an interval. A repeat after done counts from the day it is done and needs none of it.
 *
 * @example writtenOut(readRepeat('every month'), 2026-10-31) // every month on 31
 */
export function writtenOut(repeat: Repeat, day: Day): Repeat {
  if (repeat.afterDone) return repeat;
  const from = repeat.interval > 1 || repeat.unit === 'quarter' ? (repeat.from ?? day) : repeat.from;
  return { ...withPlaces(repeat, day), from };
}

/** The repeat with weekday, day of the month and month taken from a day where it leaves them out. */
export function withPlaces(repeat: Repeat, day: Day): Repeat {
  const { month, day: date } = civilFrom(day);
  const bare = repeat.monthDays.length === 0 && repeat.weekdaysOfMonth.length === 0;
  switch (repeat.unit) {
    case 'day':
    case 'weekday':
      return repeat;
    case 'week':
      return repeat.weekdays.length > 0 ? repeat : { ...repeat, weekdays: [weekdayOf(day)] };
    case 'month':
    case 'quarter':
      return bare ? { ...repeat, monthDays: [date] } : repeat;
    case 'year':
      return { ...repeat, month: repeat.month ?? month, monthDays: bare ? [date] : repeat.monthDays };
  }
}
