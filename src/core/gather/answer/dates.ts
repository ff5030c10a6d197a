import {
  type Day,
  type Weekday,
  addMonths,
  civilFrom,
  dayFrom,
  endOfMonth,
  startOfMonth,
  startOfWeek,
  weekdayOf,
} from '../../calendar/day';
import type { DayRange } from '../../calendar/span';
import type { DateValue, GatherContext, RangeValue, Unit } from '../language/ast';

/** A date moved by units; a month moved to a shorter one ends on its last day. */
function shiftDay(day: Day, count: number, unit: Unit): Day {
  switch (unit) {
    case 'day':
      return day + count;
    case 'week':
      return day + 7 * count;
    case 'month':
      return addMonths(day, count);
    case 'year':
      return addMonths(day, 12 * count);
  }
}

/** The first and last day of the unit that holds a day. */
function unitAround(day: Day, unit: Unit, firstDayOfWeek: Weekday): DayRange {
  switch (unit) {
    case 'day':
      return { from: day, to: day };
    case 'week': {
      const from = startOfWeek(day, firstDayOfWeek);
      return { from, to: from + 6 };
    }
    case 'month':
      return { from: startOfMonth(day), to: endOfMonth(day) };
    case 'year': {
      const { year } = civilFrom(day);
      return { from: dayFrom({ year, month: 1, day: 1 }), to: dayFrom({ year, month: 12, day: 31 }) };
    }
  }
}

/** The days that a written date comes to; null for `this day` outside a journal page. */
export function resolveDate(date: DateValue, context: GatherContext): DayRange | null {
  const { today, firstDayOfWeek } = context;
  switch (date.is) {
    case 'range':
      return date.range;
    case 'relative':
      return single(today + date.days);
    case 'weekday':
      return single(today + ((date.weekday - weekdayOf(today) + 7) % 7));
    case 'edge': {
      const around = unitAround(today, date.unit, firstDayOfWeek);
      return single(date.edge === 'start' ? around.from : around.to);
    }
    case 'this day': {
      const day = context.thisNote?.journal ?? null;
      return day === null ? null : single(day);
    }
    case 'shifted': {
      const base = resolveDate(date.base, context);
      return (
        base && {
          from: shiftDay(base.from, date.count, date.unit),
          to: shiftDay(base.to, date.count, date.unit),
        }
      );
    }
  }
}

const single = (day: Day): DayRange => ({ from: day, to: day });

/** The days that a written range comes to, both ends included. */
export function resolveRange(range: RangeValue, context: GatherContext): DayRange | null {
  const { today, firstDayOfWeek } = context;
  switch (range.is) {
    case 'date':
      return resolveDate(range.date, context);
    case 'between': {
      const from = resolveDate(range.from, context);
      const to = resolveDate(range.to, context);
      return from && to && { from: from.from, to: to.to };
    }
    case 'calendar': {
      const start = unitAround(today, range.unit, firstDayOfWeek).from;
      return unitAround(shiftDay(start, range.which, range.unit), range.unit, firstDayOfWeek);
    }
    case 'rolling':
      return range.direction === 'next'
        ? { from: today, to: shiftDay(today, range.count, range.unit) - 1 }
        : { from: shiftDay(today, -range.count, range.unit) + 1, to: today };
  }
}
