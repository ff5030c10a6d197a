import type { DateStyle } from '../calendar/day-name';
import type { Row } from '../index/row';
import { isOpen } from '../task/status';
import type { Gather, GatherContext } from './ast';
import { asksForArchive, compile, type NameLookup, NO_LOOKUP, speaksOfResting, type Test } from './evaluate';
import { groupValues } from './group';
import { type Compare, compareBy } from './order';
import { isResting } from './state';

/** A row with the steps that are shown inside it. */
export interface AnswerRow {
  row: Row;
  steps: AnswerRow[];
}

export interface AnswerGroup {
  /** Null for a gather without groups, and for the group of what has no value. */
  key: string | null;
  /** The value of each key by which it was grouped. */
  keys: (string | null)[];
  label: string;
  /** All tasks of the group, steps included, before limits. */
  count: number;
  rows: AnswerRow[];
  totals: Totals;
  /** Rows that a limit leaves out. */
  more: number;
}

/** What the head of a group can sum up. */
export interface Totals {
  count: number;
  /** Minutes that its open tasks take. */
  takes: number;
  /** Done ÷ (all − cancelled); null when nothing counts. */
  progress: number | null;
}

/** What a gather comes to. */
export interface Answer {
  /** Different matching tasks, steps included, before limits. */
  total: number;
  groups: AnswerGroup[];
  /** Rows that `limit` leaves out. */
  more: number;
  /** Tasks that match but rest, and are therefore left out. */
  resting: number;
}

/** A gather made ready for a day: its test and its order. */
export interface Plan {
  gather: Gather;
  context: GatherContext;
  /** Whether a row matches, resting or not. */
  matches: Test;
  /** Whether a matching row is left out because it rests. */
  hides: Test;
  compare: Compare;
}

/** Settles a gather's relative dates and names for a day. */
export function planGather(gather: Gather, context: GatherContext, lookup: NameLookup = NO_LOOKUP): Plan {
  const test = gather.where ? compile(gather.where, context, lookup) : () => true;
  const archive = asksForArchive(gather.where);
  const showsResting = gather.includingResting || speaksOfResting(gather.where);
  return {
    gather,
    context,
    matches: archive ? test : (row) => row.head.kind !== 'archive' && test(row),
    hides: showsResting ? () => false : (row) => isOpen(row.task.status) && isResting(row, context.today),
    compare: compareBy(gather.orderBy, context.today),
  };
}

/**
 * Answers a gather over rows that match it, in its order.
 *
 * @param matching rows for which `plan.matches` holds and `plan.hides` does not, sorted by `plan.compare`
 * @param resting how many matching rows were hidden
 */
export function answerFrom(plan: Plan, matching: readonly Row[], resting: number, style: DateStyle): Answer {
  const { gather } = plan;
  const nested = stepsOf(plan, matching);
  const limited = gather.limit === null ? nested : nested.slice(0, gather.limit);
  const answer: Answer = {
    total: matching.length,
    groups: [],
    more: nested.length - limited.length,
    resting,
  };
  answer.groups =
    gather.groupBy.length === 0
      ? wholeGroup(plan, limited, matching)
      : grouped(plan, gather.limit === null ? matching : flatten(limited), style);
  return answer;
}

function wholeGroup(plan: Plan, rows: AnswerRow[], matching: readonly Row[]): AnswerGroup[] {
  if (rows.length === 0) return [];
  const shown = perGroup(plan, rows);
  return [
    { key: null, keys: [], label: '', count: matching.length, totals: totalsOf(matching), rows: shown, more: rows.length - shown.length },
  ];
}

function perGroup(plan: Plan, rows: AnswerRow[]): AnswerRow[] {
  const limit = plan.gather.limitPerGroup;
  return limit === null ? rows : rows.slice(0, limit);
}

interface OpenGroup {
  keys: (string | null)[];
  labels: string[];
  orders: (number | string | null)[];
  rows: Row[];
}

function grouped(plan: Plan, rows: readonly Row[], style: DateStyle): AnswerGroup[] {
  const groups = new Map<string, OpenGroup>();
  for (const row of rows) {
    let places: Omit<OpenGroup, 'rows'>[] = [{ keys: [], labels: [], orders: [] }];
    for (const key of plan.gather.groupBy) {
      const values = groupValues(row, key, plan.context, style);
      places = places.flatMap((place) =>
        values.map((value) => ({
          keys: [...place.keys, value.key],
          labels: [...place.labels, value.label],
          orders: [...place.orders, value.order],
        })),
      );
    }
    for (const place of places) {
      const id = JSON.stringify(place.keys);
      const group = groups.get(id) ?? { ...place, rows: [] };
      group.rows.push(row);
      groups.set(id, group);
    }
  }
  const ordered = [...groups.values()].sort((a, b) => compareGroups(plan.gather, a, b));
  return ordered.map((group) => {
    const nested = stepsOf(plan, group.rows);
    const shown = perGroup(plan, nested);
    return {
      key: group.keys.length === 1 ? (group.keys[0] ?? null) : JSON.stringify(group.keys),
      keys: group.keys,
      label: group.labels.join(' › '),
      count: group.rows.length,
      totals: totalsOf(group.rows),
      rows: shown,
      more: nested.length - shown.length,
    };
  });
}

function compareGroups(gather: Gather, a: OpenGroup, b: OpenGroup): number {
  for (let index = 0; index < gather.groupBy.length; index++) {
    const key = gather.groupBy[index];
    if (key?.byCount && a.rows.length !== b.rows.length) return (b.rows.length - a.rows.length) * (key.descending ? -1 : 1);
    const left = a.orders[index] ?? null;
    const right = b.orders[index] ?? null;
    if (left === right) continue;
    if (left === null) return 1;
    if (right === null) return -1;
    const direction = gather.groupBy[index]?.descending ? -1 : 1;
    return left < right ? -direction : direction;
  }
  return 0;
}

/** The sums over tasks, steps included. */
export function totalsOf(rows: readonly Row[]): Totals {
  let takes = 0;
  let all = 0;
  let done = 0;
  for (const { task } of rows) {
    if (isOpen(task.status)) takes += task.takes ?? 0;
    if (task.status !== 'cancelled') all++;
    if (task.status === 'done') done++;
  }
  return { count: rows.length, takes, progress: all === 0 ? null : done / all };
}

function stepsOf(plan: Plan, rows: readonly Row[]): AnswerRow[] {
  return plan.gather.stepsApart ? rows.map((row) => ({ row, steps: [] })) : nestSteps(rows, rows);
}

/**
 * Puts each step inside the row of its nearest parent that is among `group`; what has none is a row. Nothing is
 * left out.
 */
function nestSteps(rows: readonly Row[], group: readonly Row[]): AnswerRow[] {
  if (!rows.some((row) => row.parent !== null)) return rows.map((row) => ({ row, steps: [] }));
  const made = new Map<Row, AnswerRow>(group.map((row) => [row, { row, steps: [] }]));
  const top: AnswerRow[] = [];
  for (const row of rows) {
    const entry = made.get(row);
    if (!entry) continue;
    let up = row.parent;
    while (up && !made.has(up)) up = up.parent;
    const parent = up && made.get(up);
    if (parent) parent.steps.push(entry);
    else top.push(entry);
  }
  return top;
}

function flatten(rows: readonly AnswerRow[]): Row[] {
  return rows.flatMap((entry) => [entry.row, ...flatten(entry.steps)]);
}
