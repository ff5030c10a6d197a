import type { DayRange } from '../../calendar/span';
import { STATUSES, type Status } from '../../task/line/status';
import type { Condition, DateField, GatherContext, PresenceField, Sign } from '../language/ast';
import { resolveDate, resolveRange } from './dates';
import { foldName } from '../../note/names/names';
import type { Test } from './evaluate';
import { compileWords } from './evaluate';
import { BEYOND_ASCII, wordsPattern } from '../language/words-pattern';

/** What stands in a column of days where a row has none. */
export const ABSENT = -1_000_000_000;
/** Before and after every day; the differences of these three fit into 32 bits. */
const FIRST = -999_999_999;
export const LAST = 1_000_000_000;

/** How words are found in lines as they are written. */
export interface WordsSieve {
  pattern: RegExp;
  /** How long what is found must be to be the words themselves; 0 when a find is never sure. */
  length: number;
  /** Decides where the find is not sure. */
  test: Test;
}

/** What a row must bear to match a condition; it lets through too many rather than too few. */
export interface Sieve {
  /** A bit for each status that may match. */
  statuses: number;
  /** Days between which the field must lie; null where anything may stand, also nothing. */
  due: DayRange | null;
  plan: DayRange | null;
  done: DayRange | null;
  /** Whether due, or plan, must be absent. */
  dueless: boolean;
  planless: boolean;
  /** Bits of names, by `nameBit`, that must all be there. */
  tags: number;
  people: number;
  /** Words that must stand in the task; null for none. */
  words: WordsSieve | null;
  /** Whether whatever passes matches. */
  exact: boolean;
}

export function statusBit(status: Status): number {
  switch (status) {
    case 'todo':
      return 1;
    case 'underway':
      return 2;
    case 'waiting':
      return 4;
    case 'done':
      return 8;
    case 'cancelled':
      return 16;
  }
}

/** One of 31 bits for a folded name; names share bits, so that a bit says maybe, and its absence no. */
export function nameBit(folded: string): number {
  let hash = folded.length;
  for (let at = 0; at < folded.length; at++) hash = (hash * 31 + folded.charCodeAt(at)) | 0;
  return 1 << ((hash >>> 0) % 31);
}

const ALL = (1 << STATUSES.length) - 1;
export const OPEN_BITS = statusBit('todo') | statusBit('underway') | statusBit('waiting');
export const DONE_BIT = statusBit('done');
export const CANCELLED_BIT = statusBit('cancelled');
const ANY: Sieve = {
  statuses: ALL,
  due: null,
  plan: null,
  done: null,
  dueless: false,
  planless: false,
  tags: 0,
  people: 0,
  words: null,
  exact: true,
};
/** Lets everything through, and says nothing. */
const COARSE: Sieve = { ...ANY, exact: false };
const NOTHING: Sieve = { ...ANY, statuses: 0 };

/** The sieve of a condition; null is no condition. */
export function sieveOf(condition: Condition | null, context: GatherContext): Sieve {
  switch (condition?.is) {
    case undefined:
      return ANY;
    case 'and':
      return condition.parts.map((part) => sieveOf(part, context)).reduce(both);
    case 'or':
      return condition.parts.map((part) => sieveOf(part, context)).reduce(either);
    case 'status':
      return { ...ANY, statuses: statusBits(condition.status) };
    case 'flag':
      if (condition.flag === 'late') return { ...ANY, statuses: OPEN_BITS, due: { from: FIRST, to: context.today - 1 } };
      if (condition.flag === 'resting') return { ...COARSE, statuses: OPEN_BITS };
      return condition.flag === 'unsorted' ? { ...COARSE, statuses: statusBit('todo'), dueless: true, planless: true } : COARSE;
    case 'tag':
      return { ...COARSE, tags: nameBit(condition.name) };
    case 'person':
      return { ...COARSE, people: nameBit(condition.name === 'me' && context.me !== null ? foldName(context.me) : condition.name) };
    case 'words':
      return { ...ANY, words: wordsSieve(condition.words, condition.folded) };
    case 'presence':
      return present(condition.field, condition.present);
    case 'date':
      return dated(
        condition.field,
        boundsOf(condition.sign, resolveDate(condition.date, context)),
        isExact(condition.field, condition.sign),
      );
    case 'in':
      return dated(condition.field, boundsOf('=', resolveRange(condition.range, context)), true);
    default:
      return COARSE;
  }
}

function wordsSieve(words: string, folded: boolean): WordsSieve {
  const simple = !folded && !BEYOND_ASCII.test(words);
  return { pattern: wordsPattern(words, folded), length: simple ? words.length : 0, test: compileWords(words, folded) };
}

/** The bits of the statuses that a word of a condition means. */
export function statusBits(status: Status | 'open' | 'closed'): number {
  return status === 'open' ? OPEN_BITS : status === 'closed' ? ALL & ~OPEN_BITS : statusBit(status);
}

function present(field: PresenceField, wanted: boolean): Sieve {
  if (field === 'done') return wanted ? { ...ANY, done: { from: FIRST, to: LAST } } : COARSE;
  if (field !== 'due' && field !== 'plan') return COARSE;
  return wanted ? { ...ANY, [field]: { from: FIRST, to: LAST } } : { ...ANY, [`${field}less`]: true };
}

/** Whether overlapping the bounds is all that a comparison asks; a plan of several days must lie before or after wholly. */
function isExact(field: DateField, sign: Sign): boolean {
  return sign !== '!=' && (field !== 'plan' || (sign !== '<' && sign !== '>'));
}

function dated(field: DateField, range: DayRange | null, exact: boolean): Sieve {
  // A date that cannot be said matches nothing.
  if (range === null) return NOTHING;
  return field === 'due' || field === 'plan' || field === 'done' ? { ...ANY, [field]: range, exact } : COARSE;
}

/** Where a field must overlap for a comparison to hold; null is a date that this note does not have. */
function boundsOf(sign: Sign, value: DayRange | null): DayRange | null {
  if (value === null) return null;
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
  return {
    statuses: a.statuses & b.statuses,
    due: meet(a.due, b.due),
    // Two ranges that a plan of several days overlaps need not overlap each other.
    plan: a.plan ?? b.plan,
    done: meet(a.done, b.done),
    dueless: a.dueless || b.dueless,
    planless: a.planless || b.planless,
    tags: a.tags | b.tags,
    people: a.people | b.people,
    words: a.words ?? b.words,
    exact: a.exact && b.exact && !(a.plan && b.plan) && !(a.words && b.words),
  };
}

function meet(a: DayRange | null, b: DayRange | null): DayRange | null {
  return a && b ? { from: Math.max(a.from, b.from), to: Math.min(a.to, b.to) } : (a ?? b);
}

function either(a: Sieve, b: Sieve): Sieve {
  const hull = (x: DayRange | null, y: DayRange | null): DayRange | null =>
    x && y && { from: Math.min(x.from, y.from), to: Math.max(x.to, y.to) };
  return {
    statuses: a.statuses | b.statuses,
    due: hull(a.due, b.due),
    plan: hull(a.plan, b.plan),
    done: hull(a.done, b.done),
    dueless: a.dueless && b.dueless,
    planless: a.planless && b.planless,
    tags: a.tags & b.tags,
    people: a.people & b.people,
    words: null,
    exact: saysStatusOnly(a) && saysStatusOnly(b),
  };
}

const saysStatusOnly = (sieve: Sieve): boolean =>
  sieve.exact &&
  !sieve.due &&
  !sieve.plan &&
  !sieve.done &&
  !sieve.dueless &&
  !sieve.planless &&
  sieve.tags === 0 &&
  sieve.people === 0 &&
  !sieve.words;
