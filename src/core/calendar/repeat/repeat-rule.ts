import type { Day, Weekday } from '../day';
import { EMPTY_REPEAT, type Repeat } from './repeat';
import { type Rule, readRule, ruleText } from './rrule-adapter';

const WORKING: readonly Weekday[] = [1, 2, 3, 4, 5];
const every = (weekdays: readonly Weekday[]): Rule['weekdays'] => weekdays.map((weekday) => ({ weekday, place: 0 }));

/**
 * The recurrence rules (RFC 5545) that a fixed repeat comes to: its dates are theirs together. Nearly always one; days
 * past the 28th, mixed with other days of the month, take one of their own, since each falls on the last day of a
 * shorter month (RFC 7529 §4.1, SKIP=BACKWARD, written out as BYMONTHDAY sets with BYSETPOS=-1).
 *
 * @param repeat written out, so that nothing is left to a date
 */
export function rulesOf(repeat: Repeat): Rule[] {
  const { interval } = repeat;
  switch (repeat.unit) {
    case 'day':
      return [{ frequency: 'DAILY', interval }];
    case 'weekday':
      // Every third weekday by RFC 5545: every third day, where it is a weekday.
      return [{ frequency: interval === 1 ? 'WEEKLY' : 'DAILY', interval, weekdays: every(WORKING) ?? [] }];
    case 'week':
      return [{ frequency: 'WEEKLY', interval, weekdays: every(repeat.weekdays) ?? [] }];
    case 'month':
      return monthRules(repeat, { frequency: 'MONTHLY', interval });
    case 'quarter':
      return monthRules(repeat, { frequency: 'MONTHLY', interval: interval * 3 });
    case 'year':
      return monthRules(repeat, { frequency: 'YEARLY', interval, months: [repeat.month ?? 1] });
  }
}

function monthRules(repeat: Repeat, base: Rule): Rule[] {
  const month = base.months?.[0];
  const mayFail = (day: number): boolean => day > 28 && (month === undefined || (month === 2 && day === 29));
  const plain = repeat.monthDays.filter((day) => !mayFail(day));
  const rules: Rule[] = [];
  if (plain.length > 0) rules.push({ ...base, monthDays: plain });
  for (const day of repeat.monthDays.filter(mayFail)) {
    rules.push({ ...base, monthDays: Array.from({ length: day - 27 }, (_, index) => 28 + index), positions: [-1] });
  }
  if (repeat.weekdaysOfMonth.length > 0) {
    rules.push({ ...base, weekdays: repeat.weekdaysOfMonth.map(({ ordinal, weekday }) => ({ weekday, place: ordinal })) });
  }
  return rules;
}

/** The rules as text, one a line; null for a repeat after done, which RFC 5545 cannot say. */
export function repeatRuleText(repeat: Repeat): string | null {
  if (repeat.afterDone) return null;
  const bounds = { ...(repeat.count !== null && { count: repeat.count }), ...(repeat.until !== null && { until: repeat.until }) };
  return rulesOf(repeat)
    .map((rule) => ruleText({ ...rule, ...bounds }))
    .join('\n');
}

/**
 * The repeat that one recurrence rule says; null when no phrase of the format says it.
 *
 * @param start the rule's DTSTART, from which an interval counts and what the rule leaves out is taken
 * @example repeatOfRule('FREQ=MONTHLY;BYDAY=-1FR', day)?.weekdaysOfMonth // [{ ordinal: -1, weekday: 5 }]
 */
export function repeatOfRule(text: string, start: Day | null): Repeat | null {
  const rule = readRule(text);
  if (!rule || (rule.count !== undefined && rule.until !== undefined)) return null;
  const places = placesOf(rule);
  if (!places) return null;
  const from = rule.interval > 1 ? start : null;
  return { ...EMPTY_REPEAT, ...places, interval: rule.interval, from, count: rule.count ?? null, until: rule.until ?? null };
}

function placesOf(rule: Rule): Partial<Repeat> | null {
  const { weekdays = [], monthDays = [], months = [], positions = [] } = rule;
  const days = weekdays.map(({ weekday }) => weekday).sort();
  const placed = weekdays.some(({ place }) => place !== 0);
  switch (rule.frequency) {
    case 'DAILY':
      if (monthDays.length + months.length + positions.length > 0 || placed) return null;
      if (days.length === 0) return { unit: 'day' };
      if (days.join() === WORKING.join()) return { unit: 'weekday' };
      return rule.interval === 1 ? { unit: 'week', weekdays: days } : null;
    case 'WEEKLY':
      if (monthDays.length + months.length + positions.length > 0 || placed) return null;
      return rule.interval === 1 && days.join() === WORKING.join() ? { unit: 'weekday' } : { unit: 'week', weekdays: days };
    case 'MONTHLY':
      return months.length > 0 ? null : withUnit('month', placesInMonth(rule));
    case 'YEARLY':
      if (months.length !== 1 || (weekdays.length === 0 && monthDays.length === 0)) return null;
      return withUnit('year', { ...placesInMonth(rule), month: months[0] ?? null }, placesInMonth(rule) === null);
  }
}

function withUnit(unit: Repeat['unit'], places: Partial<Repeat> | null, none = false): Partial<Repeat> | null {
  return places === null || none ? null : { unit, ...places };
}

function placesInMonth({ weekdays = [], monthDays = [], positions = [] }: Rule): Partial<Repeat> | null {
  if (weekdays.length > 0 && monthDays.length > 0) return null;
  const single = positions.length === 1 ? (positions[0] ?? 0) : null;
  if (positions.length > 0 && single === null) return null;
  if (weekdays.length > 0) {
    if (weekdays.some(({ place }) => (place === 0) === (single === null))) return null;
    if (single !== null && weekdays.length > 1) return null;
    const weekdaysOfMonth = weekdays.map(({ weekday, place }) => ({ weekday, ordinal: single ?? place }));
    return weekdaysOfMonth.every(({ ordinal }) => ordinal === -1 || (ordinal > 0 && ordinal < 6)) ? { weekdaysOfMonth } : null;
  }
  if (single === null) return monthDays.every((day) => day === -1 || (day > 0 && day < 32)) ? { monthDays } : null;
  // 28,29,30,31 with the last position: the 31st, or the last day of a shorter month.
  const last = Math.max(...monthDays);
  const whole = monthDays.length === last - 27 && monthDays.every((day) => day > 27);
  return single === -1 && whole ? { monthDays: [last] } : null;
}
