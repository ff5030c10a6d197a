import type { DayRange } from '../calendar/span';
import { STATUSES, type Status } from '../task/status';
import type { Condition, GatherContext, Sign } from './ast';
import { resolveDate, resolveRange } from './dates';

/** What stands in a column of days where a row has none. */
export const ABSENT = -0x80000000;
const FIRST = -0x7fffffff;
const LAST = 0x7fffffff;

/** What a row must bear to match a condition; it lets through too many rather than too few. */
export interface Sieve {
  /** A bit for each status that may match. */
  statuses: number;
  /** Days between which the field must lie; null where it may also be absent. */
  due: DayRange | null;
  plan: DayRange | null;
  done: DayRange | null;
}

export const statusBit = (status: Status): number => 1 << STATUSES.indexOf(status);

const ALL = (1 << STATUSES.length) - 1;
const OPEN = statusBit('todo') | statusBit('underway') | statusBit('waiting');
const COARSE: Sieve = { statuses: ALL, due: null, plan: null, done: null };

/** The sieve of a condition. */
export function sieveOf(condition: Condition | null, context: GatherContext): Sieve {
  switch (condition?.is) {
    case 'and':
      return condition.parts.map((part) => sieveOf(part, context)).reduce(both);
    case 'or':
      return condition.parts.map((part) => sieveOf(part, context)).reduce(either);
    case 'status':
      return { ...COARSE, statuses: statusesOf(condition.status) };
    case 'flag':
      if (condition.flag === 'late') return { ...COARSE, statuses: OPEN, due: { from: FIRST, to: context.today - 1 } };
      if (condition.flag === 'resting') return { ...COARSE, statuses: OPEN };
      return condition.flag === 'unsorted' ? { ...COARSE, statuses: statusBit('todo') } : COARSE;
    case 'date':
      return dated(condition.field, boundsOf(condition.sign, resolveDate(condition.date, context)));
    case 'in':
      return dated(condition.field, boundsOf('=', resolveRange(condition.range, context)));
    default:
      return COARSE;
  }
}

function statusesOf(status: Status | 'open' | 'closed'): number {
  return status === 'open' ? OPEN : status === 'closed' ? ALL & ~OPEN : statusBit(status);
}

function dated(field: string, range: DayRange | null): Sieve {
  return field === 'due' || field === 'plan' || field === 'done' ? { ...COARSE, [field]: range } : COARSE;
}

/** Where a field must overlap for a comparison to hold; null is a date that this note does not have. */
function boundsOf(sign: Sign, value: DayRange | null): DayRange | null {
  // A date that cannot be said matches nothing.
  if (value === null) return { from: LAST, to: LAST };
  switch (sign) {
    case '=':
      return value;
    case '!=':
      return { from: FIRST, to: LAST };
    case '<':
      return { from: FIRST, to: value.from - 1 };
    case '<=':
      return { from: FIRST, to: value.to };
    case '>':
      return { from: value.to + 1, to: LAST };
    case '>=':
      return { from: value.from, to: LAST };
  }
}

function both(a: Sieve, b: Sieve): Sieve {
  return { statuses: a.statuses & b.statuses, due: meet(a.due, b.due), plan: one(a.plan, b.plan), done: meet(a.done, b.done) };
}

/** Two ranges that a plan of several days overlaps need not overlap each other, so that one of them must do. */
const one = (a: DayRange | null, b: DayRange | null): DayRange | null => a ?? b;

function meet(a: DayRange | null, b: DayRange | null): DayRange | null {
  return a && b ? { from: Math.max(a.from, b.from), to: Math.min(a.to, b.to) } : (a ?? b);
}

function either(a: Sieve, b: Sieve): Sieve {
  const hull = (x: DayRange | null, y: DayRange | null): DayRange | null =>
    x && y && { from: Math.min(x.from, y.from), to: Math.max(x.to, y.to) };
  return { statuses: a.statuses | b.statuses, due: hull(a.due, b.due), plan: hull(a.plan, b.plan), done: hull(a.done, b.done) };
}
