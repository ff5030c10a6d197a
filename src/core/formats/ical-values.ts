import ICAL from 'ical.js';
import { type Day, civilFrom, dayFrom, isoDay } from '../calendar/day';
import { writtenOut } from '../calendar/repeat/repeat';
import { readRepeat } from '../calendar/repeat/repeat-phrase';
import { repeatRuleText } from '../calendar/repeat/repeat-rule';
import { type Now, type Span, timeName } from '../calendar/span';
import type { Status } from '../task/line/status';

/** RFC 5545, 3.8.1.9: 1 is the highest, 9 the lowest; 0, or none, is undefined. */
export const ICAL_PRIORITIES = { top: 1, high: 3, low: 9 } as const;
/** RFC 5545, 3.8.1.11, the statuses of a to-do. It has none for one that waits. */
export const ICAL_STATUSES = {
  todo: 'NEEDS-ACTION',
  underway: 'IN-PROCESS',
  waiting: 'NEEDS-ACTION',
  done: 'COMPLETED',
  cancelled: 'CANCELLED',
} as const;

/** DTSTART is before DUE and of its kind (RFC 5545, 3.8.2.3), so that a plan without a time goes with a due day without one only. */
export function mayBegin(plan: Span, due: Span): boolean {
  if ((plan.minute === null) !== (due.minute === null)) return false;
  return plan.from < due.from || (plan.from === due.from && (plan.minute ?? 0) < (due.minute ?? 0));
}

/** The one rule that a phrase comes to; null where it needs several, or counts from the day it is done. */
export function icalRule(every: string, day: Day | null): string | null {
  const repeat = readRepeat(every);
  const text = repeat && day !== null ? repeatRuleText(writtenOut(repeat, day)) : null;
  return text === null || text.includes('\n') ? null : text;
}

export function icalList(name: string, values: string[]): ICAL.Property {
  const property = new ICAL.Property(name);
  property.setValues(values);
  return property;
}

export const icalTime = (span: Span): ICAL.Time =>
  span.minute === null ? icalDay(span.to) : icalAt({ day: span.from, minute: span.minute }, false);

export function icalDay(day: Day): ICAL.Time {
  return ICAL.Time.fromData({ ...civilFrom(day), isDate: true });
}

export function icalAt({ day, minute }: Now, utc: boolean): ICAL.Time {
  const time = { ...civilFrom(day), hour: Math.floor(minute / 60), minute: minute % 60, second: 0, isDate: false };
  return ICAL.Time.fromData(time, utc ? ICAL.Timezone.utcTimezone : ICAL.Timezone.localTimezone);
}

export const icalWords = (component: ICAL.Component, name: string): string => {
  const value = component.getFirstPropertyValue(name);
  return value === null ? '' : String(value).trim();
};

/** RFC 5545, 3.8.1.9: 1 to 4 are high, 5 is in the middle, 6 to 9 are low. */
export const priorityFrom = (number: number): 'top' | 'high' | 'low' | null =>
  number === 1 ? 'top' : number > 1 && number < 5 ? 'high' : number > 5 && number < 10 ? 'low' : null;

/** A moment of a component. */
export interface IcalMoment {
  day: Day;
  /** Null for a whole day. */
  minute: number | null;
  /** Whether it says a zone, so that it was told in that of the person. */
  zoned: boolean;
}

/**
 * When something is, in the zone of the person; null where it does not say so.
 *
 * @param fromUtc a moment of UTC in that zone
 */
export function icalMoment(component: ICAL.Component, name: string, fromUtc: (moment: Now) => Now): IcalMoment | null {
  const value = component.getFirstPropertyValue(name);
  if (!(value instanceof ICAL.Time) || value.year < 1) return null;
  const day = dayFrom({ year: value.year, month: value.month, day: value.day });
  if (value.isDate) return { day, minute: null, zoned: false };
  if (value.zone === ICAL.Timezone.localTimezone) return { day, minute: value.hour * 60 + value.minute, zoned: false };
  const minutes = Math.floor(value.toUnixTime() / 60);
  return { ...fromUtc({ day: Math.floor(minutes / 1440), minute: minutes - Math.floor(minutes / 1440) * 1440 }), zoned: true };
}

export const momentText = ({ day, minute }: { day: Day; minute: number | null }): string =>
  minute === null ? isoDay(day) : `${isoDay(day)} ${timeName(minute)}`;

/** The status of a to-do; one that waits says so in a property of its own, as long as nobody finished it elsewhere. */
export function statusFrom(todo: ICAL.Component): Status {
  const open = icalWords(todo, 'x-recado-status').toUpperCase() === 'WAITING' ? 'waiting' : 'todo';
  switch (icalWords(todo, 'status').toUpperCase()) {
    case 'COMPLETED':
      return 'done';
    case 'CANCELLED':
      return 'cancelled';
    case 'IN-PROCESS':
      return 'underway';
    case 'NEEDS-ACTION':
      return open;
    default:
      return icalWords(todo, 'completed') === '' ? open : 'done';
  }
}
