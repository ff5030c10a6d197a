import type { Weekday } from '../../calendar/day';
import { readSpan } from '../../calendar/span';
import type { DateValue, RangeValue, Unit } from './ast';
import { type TokenReader, Unreadable } from './token-reader';

const RELATIVE: Record<string, number> = { today: 0, tomorrow: 1, yesterday: -1 };
const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const LONG_WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
const UNITS: Record<string, Unit> = {
  day: 'day',
  days: 'day',
  week: 'week',
  weeks: 'week',
  month: 'month',
  months: 'month',
  year: 'year',
  years: 'year',
};
const DATE_WORDS = [...Object.keys(RELATIVE), ...WEEKDAYS, ...LONG_WEEKDAYS, 'start', 'end', 'this'];
const RANGE_WORDS = [...DATE_WORDS, 'next', 'last'];
/** Beyond this a count is a slip of the finger, and dates leave the calendar. */
const MOST = 100_000;

/** Reads a date: ISO, a relative word, a weekday, `start of month`, `this day`, each with `+ n units` behind. */
export function parseDate(reader: TokenReader): DateValue {
  let date = parseBase(reader);
  for (;;) {
    const sign = reader.current;
    if (sign.kind !== 'sign' || (sign.value !== '+' && sign.value !== '-')) return date;
    reader.take();
    const count = countOf(reader);
    date = { is: 'shifted', base: date, count: sign.value === '+' ? count : -count, unit: parseUnit(reader) };
  }
}

function parseBase(reader: TokenReader): DateValue {
  if (reader.is('date')) {
    const token = reader.take();
    const range = readSpan(token.value);
    if (!range) throw new Unreadable({ message: `There is no such date as ${token.value}.`, from: token.from, to: token.to });
    return { is: 'range', range: { from: range.from, to: range.to } };
  }
  if (reader.is('word')) {
    const { value } = reader.current;
    const days = RELATIVE[value];
    if (days !== undefined) {
      reader.take();
      return { is: 'relative', days };
    }
    const weekday = Math.max(WEEKDAYS.indexOf(value), LONG_WEEKDAYS.indexOf(value));
    if (weekday !== -1) {
      reader.take();
      return { is: 'weekday', weekday: (weekday + 1) as Weekday };
    }
    if (value === 'start' || value === 'end') {
      reader.take();
      if (!reader.took('of')) reader.fail('“of”', ['of']);
      return { is: 'edge', edge: value, unit: parseUnit(reader) };
    }
    if (reader.tookWords('this', 'day')) return { is: 'this day' };
  }
  return reader.fail('a date', DATE_WORDS);
}

function countOf(reader: TokenReader): number {
  const token = reader.current;
  const count = reader.number('the count');
  if (count > MOST) throw new Unreadable({ message: `${token.value} is more than Recado counts to.`, from: token.from, to: token.to });
  return count;
}

function parseUnit(reader: TokenReader): Unit {
  const unit = reader.is('word') ? UNITS[reader.current.value] : undefined;
  if (!unit) return reader.fail('day, week, month or year', Object.keys(UNITS));
  reader.take();
  return unit;
}

/** Reads what follows `in`: `this week`, `last 7 days`, `2026-W48`, `a..b`, or a date. */
export function parseRange(reader: TokenReader): RangeValue {
  const { value } = reader.current;
  if (reader.is('word') && (value === 'last' || value === 'next')) {
    reader.take();
    if (reader.is('number')) {
      const count = countOf(reader);
      return { is: 'rolling', direction: value, count, unit: parseUnit(reader) };
    }
    return { is: 'calendar', which: value === 'last' ? -1 : 1, unit: parseUnit(reader) };
  }
  if (reader.is('word', 'this') && reader.ahead(1).value !== 'day') {
    reader.take();
    return { is: 'calendar', which: 0, unit: parseUnit(reader) };
  }
  if (!reader.is('date') && !(reader.is('word') && DATE_WORDS.includes(value))) reader.fail('a date or a range', RANGE_WORDS);
  const from = parseDate(reader);
  return reader.took('..') ? { is: 'between', from, to: parseDate(reader) } : { is: 'date', date: from };
}
