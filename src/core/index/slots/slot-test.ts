import { meantHere, personMeant } from '../../gather/answer/meant-here';
import type { DayRange } from '../../calendar/span';
import type { Condition, DateField, Flag, GatherContext, MeasureField, PresenceField, Sign } from '../../gather/language/ast';
import { resolveDate, resolveRange } from '../../gather/answer/dates';
import { type NameLookup, compareDays, compareNumbers } from '../../gather/answer/evaluate';
import { notNowTag } from '../../gather/answer/state';
import { ABSENT, nameBit, statusBits } from '../../gather/answer/sieve';
import { foldName } from '../../note/names/names';
import { priorityRank } from '../../task/line/task';
import type { SlotTable } from './slot-table';

/** What the slot table say of a task and a condition: that it fails, that it holds, or that only the row can tell. */
export const No = 0;
export const Yes = 1;
export const Ask = 2;
export type Said = typeof No | typeof Yes | typeof Ask;
export type SlotTest = (slot: number) => Said;

const ask: SlotTest = () => Ask;
const never: SlotTest = () => No;
const said = (holds: boolean): Said => (holds ? Yes : No);

/**
 * A condition asked of the slot table, so that a row is made only where they cannot tell. Where they can, it says the same as
 * `compile` says of the row.
 */
export function slotTest(condition: Condition, table: SlotTable, context: GatherContext, lookup: NameLookup): SlotTest {
  const inner = (part: Condition): SlotTest => slotTest(part, table, context, lookup);
  switch (condition.is) {
    case 'and':
      return joined(condition.parts.map(inner), No);
    case 'or':
      return joined(condition.parts.map(inner), Yes);
    case 'not':
      return opposite(inner(condition.part));
    case 'status': {
      const bits = statusBits(condition.status);
      return (slot) => said(((table.flags[slot] as number) & bits) !== 0);
    }
    case 'tag':
      return named(table.tags, nameBit(condition.name));
    case 'person':
      return named(table.people, nameBit(condition.name === 'me' && context.me !== null ? foldName(context.me) : condition.name));
    case 'to raise': {
      const tag = meantHere(condition, context);
      return tag ? inner(tag) : ask;
    }
    case 'date':
      return dated(table, condition.field, condition.sign, resolveDate(condition.date, context));
    case 'in':
      return dated(table, condition.field, '=', resolveRange(condition.range, context));
    case 'presence': {
      const present = presence(table, condition.field);
      return condition.present ? present : opposite(present);
    }
    case 'priority': {
      const wanted = -priorityRank(condition.priority === 'normal' ? null : condition.priority);
      return (slot) => said(compareNumbers(-(table.ranks[slot] as number), condition.sign, wanted));
    }
    case 'measure':
      return measured(table, condition.field, condition.sign, condition.value);
    case 'flag':
      return condition.flag === 'unsorted' ? maybeUnsorted(table, lookup) : flagged(table, condition.flag, context);
    case 'who':
      return who(table, condition.field, isMe(personMeant(condition.person, context), context) === condition.same);
    case 'kind':
      return (slot) => said((table.headAt(slot).kind === condition.kind) === condition.same);
    default:
      return ask;
  }
}

/** Parts of which one decides: a No of an `and`, a Yes of an `or`. */
function joined(tests: readonly SlotTest[], decisive: typeof No | typeof Yes): SlotTest {
  const otherwise = decisive === No ? Yes : No;
  return (slot) => {
    let result: Said = otherwise;
    for (const test of tests) {
      const one = test(slot);
      if (one === decisive) return decisive;
      if (one === Ask) result = Ask;
    }
    return result;
  };
}

function opposite(test: SlotTest): SlotTest {
  return (slot) => {
    const one = test(slot);
    return one === Ask ? Ask : one === Yes ? No : Yes;
  };
}

/** Names share bits: the absence of one is sure, its presence is not. */
const named =
  (column: Int32Array, bit: number): SlotTest =>
  (slot) =>
    ((column[slot] as number) & bit) === 0 ? No : Ask;

function dated(table: SlotTable, field: DateField, sign: Sign, range: DayRange | null): SlotTest {
  // A date that cannot be said matches nothing.
  if (range === null) return never;
  const between = daysOf(table, field);
  if (!between) return ask;
  const [froms, tos] = between;
  return (slot) => {
    const from = froms(slot);
    return said(from !== ABSENT && compareDays(from, tos(slot), sign, range));
  };
}

type DayAt = (slot: number) => number;

/** The first and the last day of a field; null for one that no column holds. */
function daysOf(table: SlotTable, field: DateField): readonly [DayAt, DayAt] | null {
  const both = (at: DayAt): readonly [DayAt, DayAt] => [at, at];
  switch (field) {
    case 'due':
      return both((slot) => table.dues[slot] as number);
    case 'done':
      return both((slot) => table.dones[slot] as number);
    case 'start':
      return both((slot) => table.starts[slot] as number);
    case 'journal':
      return both((slot) => table.headAt(slot).journal ?? ABSENT);
    case 'plan':
      return [(slot) => table.plans[slot] as number, (slot) => table.planEnds[slot] as number];
    default:
      return null;
  }
}

function presence(table: SlotTable, field: PresenceField): SlotTest {
  const { ranks, takes, tags, people, dues, plans, starts } = table;
  switch (field) {
    case 'due':
    case 'plan':
    case 'done':
    case 'start':
    case 'journal': {
      const [from] = daysOf(table, field) ?? [];
      return from ? (slot) => said(from(slot) !== ABSENT) : ask;
    }
    case 'any date':
      return (slot) => said(dues[slot] !== ABSENT || plans[slot] !== ABSENT || starts[slot] !== ABSENT);
    case 'takes':
      return (slot) => said(takes[slot] !== ABSENT);
    case 'priority': {
      const none = priorityRank(null);
      return (slot) => said(ranks[slot] !== none);
    }
    case 'tag':
      return (slot) => said(tags[slot] !== 0);
    case 'person':
      return (slot) => said(people[slot] !== 0);
    case 'owner':
    case 'asked':
      return (slot) => (table.saysWho(slot) ? Ask : No);
    case 'steps':
      return (slot) => said((table.steps[slot] as number) > 0);
    default:
      return ask;
  }
}

function measured(table: SlotTable, field: MeasureField, sign: Sign, value: number): SlotTest {
  if (field !== 'takes') return ask;
  return (slot) => {
    const minutes = table.takes[slot] as number;
    return said(minutes !== ABSENT && compareNumbers(minutes, sign, value));
  };
}

/** Without a word on it a task is one's own, and asked by nobody: every comparison with that fails. */
function who(table: SlotTable, field: 'owner' | 'asked', own: boolean): SlotTest {
  const silent = field === 'owner' ? said(own) : No;
  return (slot) => (table.saysWho(slot) ? Ask : silent);
}

const isMe = (person: string | null, { me }: GatherContext): boolean => person === 'me' || (me !== null && person === foldName(me));

/** What the slot table can tell of the definition in `isUnsorted`: nearly always that a task is none. */
function maybeUnsorted(table: SlotTable, lookup: NameLookup): SlotTest {
  const none = priorityRank(null);
  const todo = statusBits('todo');
  return (slot) => {
    const dateless = table.dues[slot] === ABSENT && table.plans[slot] === ABSENT && table.starts[slot] === ABSENT;
    if (!dateless || ((table.flags[slot] as number) & todo) === 0 || table.ranks[slot] !== none) return No;
    if (table.parents[slot] !== -1 || (table.steps[slot] as number) > 0) return No;
    const { journal, path } = table.headAt(slot);
    return journal !== null || lookup.isLoosePlace(path) ? Ask : No;
  };
}

function flagged(table: SlotTable, flag: Flag, context: GatherContext): SlotTest {
  const { today } = context;
  switch (flag) {
    case 'late':
      return (slot) => {
        const due = table.dues[slot] as number;
        return said(due !== ABSENT && due < today && table.isOpenAt(slot));
      };
    case 'resting':
      return (slot) => said((table.backs[slot] as number) > today && table.isOpenAt(slot));
    case 'step':
      return (slot) => said(table.parents[slot] !== -1);
    case 'now': {
      const bit = nameBit(notNowTag(context));
      return (slot) => (table.headAt(slot).later ? No : ((table.tags[slot] as number) & bit) === 0 ? Yes : Ask);
    }
    default:
      return ask;
  }
}
