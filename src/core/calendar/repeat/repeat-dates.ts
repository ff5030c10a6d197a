import { type Day, addMonths, civilFrom, dayFrom, startOfMonth, startOfWeek, weekdayOf } from '../day';
import { type Repeat, withPlaces, writtenOut } from './repeat';
import { rulesOf } from './repeat-rule';
import { firstAfter } from './rrule-adapter';

/** The last day that ISO's four digits can say. */
const LAST_DAY = dayFrom({ year: 9999, month: 12, day: 31 });

/**
 * The date that a repeating task takes when it is finished; null when that was the last time.
 *
 * A fixed repeat gives the first date of its pattern that is after the present one and not before the day of
 * finishing: what was missed is not piled up. One after done counts from the day of finishing.
 *
 * @param present its due day, else the day of its plan
 * @param done the day on which it is finished
 */
export function nextDate(repeat: Repeat, present: Day, done: Day): Day | null {
  if (repeat.count !== null && repeat.count < 2) return null;
  const next = repeat.afterDone ? nextAfterDone(repeat, done) : nextOfPattern(writtenOut(repeat, present), Math.max(present, done - 1));
  return next === null || next > LAST_DAY || (repeat.until !== null && next > repeat.until) ? null : next;
}

/** The first date of a repeat on a day or after it, for a task that has none yet; one after done begins on that day. */
export function firstDate(repeat: Repeat, day: Day): Day | null {
  return repeat.afterDone ? day : nextOfPattern(writtenOut(repeat, day), day - 1);
}

/** The next dates after a day, as if each were finished on its day; fewer when the repeat ends. */
export function datesAfter(repeat: Repeat, day: Day, count: number): Day[] {
  const dates: Day[] = [];
  let left = writtenOut(repeat, day);
  for (let present = day; dates.length < count;) {
    const next = nextDate(left, present, present);
    if (next === null) break;
    dates.push(next);
    left = { ...left, count: left.count === null ? null : left.count - 1 };
    present = next;
  }
  return dates;
}

/** The first date of a written-out pattern after a day. */
function nextOfPattern(repeat: Repeat, after: Day): Day | null {
  const start = startNear(repeat, after);
  const dates = rulesOf(repeat)
    .map((rule) => firstAfter(rule, start, after))
    .filter((date) => date !== null);
  return dates.length === 0 ? null : Math.min(...dates);
}

/**
 * A DTSTART close to a day, in step with the interval's `from`: walking a rule from years back costs as many
 * steps as it has dates since.
 */
function startNear(repeat: Repeat, day: Day): Day {
  const from = repeat.from ?? day;
  const back = (distance: number, step: number): number => Math.max(0, Math.floor(distance / step)) * step;
  switch (repeat.unit) {
    case 'day':
    case 'weekday':
      return from + back(day - from, repeat.interval);
    case 'week': {
      const monday = startOfWeek(from, 1);
      return Math.max(monday + back(startOfWeek(day, 1) - monday, 7 * repeat.interval), repeat.from ?? -Infinity);
    }
    case 'month':
    case 'quarter': {
      const months = repeat.interval * (repeat.unit === 'quarter' ? 3 : 1);
      const passed = back(monthNumber(day) - monthNumber(from), months);
      return Math.max(addMonths(startOfMonth(from), passed), repeat.from ?? -Infinity);
    }
    case 'year': {
      const { year } = civilFrom(from);
      const passed = back(civilFrom(day).year - year, repeat.interval);
      return Math.max(dayFrom({ year: year + passed, month: 1, day: 1 }), repeat.from ?? -Infinity);
    }
  }
}

function monthNumber(day: Day): number {
  const { year, month } = civilFrom(day);
  return year * 12 + month;
}

/** Where the phrase names days, the first such day after the last whole interval but one. */
function nextAfterDone(repeat: Repeat, done: Day): Day | null {
  const { unit, interval } = repeat;
  const named = repeat.weekdays.length + repeat.monthDays.length + repeat.weekdaysOfMonth.length > 0;
  if (!named) return addUnits(done, unit, interval);
  const pattern = { ...withPlaces(repeat, done), interval: 1, from: null, unit: unit === 'quarter' ? ('month' as const) : unit };
  const months = unit === 'quarter' ? interval * 3 : interval;
  return nextOfPattern(pattern, addUnits(done, pattern.unit, months - 1));
}

function addUnits(day: Day, unit: Repeat['unit'], count: number): Day {
  switch (unit) {
    case 'day':
      return day + count;
    case 'weekday': {
      let at = day;
      for (let left = count; left > 0;) if (weekdayOf(++at) < 6) left--;
      return at;
    }
    case 'week':
      return day + 7 * count;
    case 'month':
      return addMonths(day, count);
    case 'quarter':
      return addMonths(day, 3 * count);
    case 'year':
      return addMonths(day, 12 * count);
  }
}
