import * as library from 'rrule';
import type { Day, Weekday } from '../day';

/**
 * The only place that knows the library for recurrence rules (RFC 5545 §3.3.10): days go in, days come out.
 * Bundlers see its named exports, plain Node only its default one.
 */
const inNode: unknown = Reflect.get(library, 'default');
const { RRule } = (inNode ?? library) as typeof library;

export type Frequency = 'DAILY' | 'WEEKLY' | 'MONTHLY' | 'YEARLY';

/** One recurrence rule, as much of RFC 5545 as the phrases of the format need. */
export interface Rule {
  frequency: Frequency;
  interval: number;
  /** Weekdays, each with its place in the month (1 to 5, -1 the last) or 0 for every one. */
  weekdays?: readonly { weekday: Weekday; place: number }[];
  monthDays?: readonly number[];
  months?: readonly number[];
  /** Which of a period's dates count; -1 is the last. */
  positions?: readonly number[];
  count?: number;
  until?: Day;
}

const DAY_LENGTH = 86_400_000;
const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];
const dateOf = (day: Day): Date => new Date(day * DAY_LENGTH);

function optionsOf(rule: Rule, start: Day | null): Partial<library.Options> {
  return {
    freq: RRule[rule.frequency],
    interval: rule.interval,
    wkst: RRule.MO,
    ...(start === null ? {} : { dtstart: dateOf(start) }),
    ...(rule.weekdays && {
      byweekday: rule.weekdays.map(({ weekday, place }) => {
        const day = [RRule.MO, RRule.TU, RRule.WE, RRule.TH, RRule.FR, RRule.SA, RRule.SU][weekday - 1] ?? RRule.MO;
        return place === 0 ? day : day.nth(place);
      }),
    }),
    ...(rule.monthDays && { bymonthday: [...rule.monthDays] }),
    ...(rule.months && { bymonth: [...rule.months] }),
    ...(rule.positions && { bysetpos: [...rule.positions] }),
  };
}

/**
 * The first date of a rule after a day; null when there is none up to the year 9999.
 *
 * @param start the DTSTART: the rule has no date before it, and intervals count from it
 */
export function firstAfter(rule: Rule, start: Day, day: Day): Day | null {
  const found = new RRule(optionsOf(rule, start), true).after(dateOf(Math.max(day, start - 1)));
  return found === null ? null : Math.round(found.getTime() / DAY_LENGTH);
}

/** Prints a rule as the value of an RRULE, `FREQ=WEEKLY;BYDAY=FR`. Weeks begin on Monday. */
export function ruleText(rule: Rule): string {
  const parts = [`FREQ=${rule.frequency}`];
  if (rule.interval !== 1) parts.push(`INTERVAL=${rule.interval}`);
  if (rule.months) parts.push(`BYMONTH=${rule.months.join(',')}`);
  if (rule.monthDays) parts.push(`BYMONTHDAY=${rule.monthDays.join(',')}`);
  if (rule.weekdays) {
    parts.push(`BYDAY=${rule.weekdays.map(({ weekday, place }) => `${place === 0 ? '' : place}${WEEKDAYS[weekday - 1]}`).join(',')}`);
  }
  if (rule.positions) parts.push(`BYSETPOS=${rule.positions.join(',')}`);
  if (rule.count !== undefined) parts.push(`COUNT=${rule.count}`);
  if (rule.until !== undefined) parts.push(`UNTIL=${dateOf(rule.until).toISOString().slice(0, 10).replace(/-/g, '')}`);
  if (rule.frequency === 'WEEKLY' && rule.interval > 1) parts.push('WKST=MO');
  return parts.join(';');
}

const FREQUENCIES: readonly Frequency[] = ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'];

/** Reads the value of an RRULE. Null when it says more than `Rule` can hold, or is none. */
export function readRule(text: string): Rule | null {
  const rule: Rule = { frequency: 'DAILY', interval: 1 };
  const numbers = (value: string): number[] => value.split(',').map(Number);
  let weekBegins = 'MO';
  for (const part of text.replace(/^RRULE:/i, '').split(';')) {
    const [name = '', value = ''] = part.toUpperCase().split('=');
    switch (name) {
      case 'FREQ': {
        const frequency = FREQUENCIES.find((one) => one === value);
        if (!frequency) return null;
        rule.frequency = frequency;
        break;
      }
      case 'INTERVAL':
        rule.interval = Number(value);
        break;
      case 'COUNT':
        rule.count = Number(value);
        break;
      case 'UNTIL':
        rule.until = Date.UTC(Number(value.slice(0, 4)), Number(value.slice(4, 6)) - 1, Number(value.slice(6, 8))) / DAY_LENGTH;
        break;
      case 'BYMONTH':
        rule.months = numbers(value);
        break;
      case 'BYMONTHDAY':
        rule.monthDays = numbers(value);
        break;
      case 'BYSETPOS':
        rule.positions = numbers(value);
        break;
      case 'BYDAY': {
        const days = value.split(',').map((one) => /^([+-]?\d*)(MO|TU|WE|TH|FR|SA|SU)$/.exec(one));
        if (days.some((day) => day === null)) return null;
        rule.weekdays = days.map((day) => ({ place: Number(day?.[1] ?? 0), weekday: (WEEKDAYS.indexOf(day?.[2] ?? '') + 1) as Weekday }));
        break;
      }
      case 'WKST':
        weekBegins = value;
        break;
      default:
        return null;
    }
  }
  const whole = [
    rule.interval,
    rule.count ?? 1,
    rule.until ?? 0,
    ...(rule.months ?? []),
    ...(rule.monthDays ?? []),
    ...(rule.positions ?? []),
  ];
  // On which day weeks begin matters only where several of them make an interval (RFC 5545, 3.3.10).
  if (weekBegins !== 'MO' && rule.frequency === 'WEEKLY' && rule.interval > 1 && rule.weekdays) return null;
  return text.toUpperCase().includes('FREQ=') && whole.every(Number.isInteger) && rule.interval > 0 ? rule : null;
}
