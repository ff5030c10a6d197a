import { outsidePath } from '../../note/names/outside-path';
import { foldPath } from '../../note/names/path';
import type { DateStyle } from '../../calendar/day-name';
import type { Row } from '../rows/row';
import { isOpen } from '../../task/line/status';
import type { DateField, Gather, GatherContext, GroupKey, GroupKeyName } from '../language/ast';
import { CURVE_FIELDS, isTimeKey } from '../forms/time-keys';
import { asksForArchive, compile, type NameLookup, NO_LOOKUP, speaksOfResting, type Test } from './evaluate';
import { groupValues } from './group';
import { type Compare, compareBy } from './order';
import { isResting } from './state';
import { type Sums, type Totals, sumsOf, totalsFrom } from './sums';

/** A row with the steps that are shown inside it. */
export interface AnswerRow {
  row: Row;
  steps: readonly AnswerRow[];
}

/** A row while its steps are being found. */
export interface AnswerRowInMaking extends AnswerRow {
  steps: AnswerRow[];
}

export interface AnswerGroup {
  /** Null for a gather without groups, and for the group of what has no value. */
  key: string | null;
  /** The value of each key by which it was grouped. */
  keys: (string | null)[];
  label: string;
  /** Of one by several keys, how the value of each is called. */
  labels?: readonly string[];
  /** All tasks of the group, steps included, before limits. */
  count: number;
  /** How many of them are steps that stand inside a row. */
  steps: number;
  rows: AnswerRow[];
  totals: Totals;
  /** Rows that a limit leaves out. */
  more: number;
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
  /** The sums over all different matching tasks. */
  totals: Totals;
}

/** A gather made ready for a day: its test and its order. */
export interface Plan {
  gather: Gather;
  context: GatherContext;
  style: DateStyle;
  lookup: NameLookup;
  /** Whether the condition of the gather holds for a row. */
  test: Test;
  /** Whether a row matches, resting or not: its condition holds, and it is none that every gather leaves out. */
  matches: Test;
  /** Whether a matching row is left out because it rests. */
  hides: Test;
  /** Whether resting rows are not left out. */
  showsResting: boolean;
  compare: Compare;
}

/** Settles a gather's relative dates and names for a day. */
export function planGather(gather: Gather, context: GatherContext, style: DateStyle, lookup: NameLookup = NO_LOOKUP): Plan {
  const asked = shaped(gather);
  const test = gather.where ? compile(gather.where, context, lookup) : () => true;
  const archive = asksForArchive(gather.where);
  const meetings = gather.from === 'meetings';
  const list = gather.list === null ? null : foldPath(outsidePath(gather.list));
  const showsResting = gather.includingResting || speaksOfResting(gather.where);
  return {
    gather: asked,
    context,
    style,
    lookup,
    test,
    matches: (row) =>
      (archive || row.head.kind !== 'archive') &&
      (!meetings || row.head.kind === 'meeting') &&
      (list === null || foldPath(row.head.path) === list) &&
      // An echo of a task that exists is that task, which is gathered where it is written.
      (row.echo === null || !lookup.hasTask(row.echo)) &&
      test(row),
    hides: showsResting ? () => false : (row) => isOpen(row.task.status) && isResting(row, context.today),
    showsResting,
    compare: compareBy(gather.orderBy, context.today),
  };
}

/** A summary, bars and a curve show the sums of groups, and no rows; a board has its key's groups as columns. */
function shaped(gather: Gather): Gather {
  const { form } = gather;
  const by = (key: GroupKeyName, of: DateField | null = null): GroupKey => ({ key, of, descending: false, byCount: false });
  if (form?.is === 'bars') {
    const first = by(form.by, form.of);
    return { ...gather, groupBy: form.second ? [first, by(form.second)] : [first], limit: null, limitPerGroup: 0 };
  }
  // How it stood at a time follows from when each task was made, done and cancelled.
  if (form?.is === 'curve' && isTimeKey(form.by))
    return { ...gather, groupBy: CURVE_FIELDS.map((field) => by(form.by, field)), includingResting: true, limit: null, limitPerGroup: 0 };
  if (form?.is === 'curve') return { ...gather, groupBy: [by(form.by)], limit: null, limitPerGroup: 0 };
  if (form?.is === 'spans') return { ...gather, groupBy: [by(form.by)] };
  if (form?.is !== 'summary' && form?.is !== 'board') return gather;
  const groupBy = [{ key: form.by, of: null, descending: false, byCount: false, ...(form.is === 'board' && { added: true }) }];
  return form.is === 'board' ? { ...gather, groupBy } : { ...gather, groupBy, limit: null, limitPerGroup: 0 };
}

/** The place of a row among the groups of a gather. */
export interface GroupPlace {
  keys: (string | null)[];
  labels: string[];
  orders: (number | string | null)[];
}

/** The place of the one group of a gather without `group by`. */
export const NO_PLACE: GroupPlace = { keys: [], labels: [], orders: [] };
const WHOLE: readonly GroupPlace[] = [NO_PLACE];

/** The groups in which a row stands; the one group of all without `group by`. */
export function groupPlaces({ gather, context, style }: Plan, row: Row): readonly GroupPlace[] {
  let places = WHOLE;
  for (const key of gather.groupBy) {
    const values = groupValues(row, key, context, style);
    places = places.flatMap((place) =>
      values.map((value) => ({
        keys: [...place.keys, value.key],
        labels: [...place.labels, value.label],
        orders: [...place.orders, value.order],
      })),
    );
  }
  return places;
}

/** Names a group within its gather. */
export function groupName({ keys }: GroupPlace): string {
  return keys.length === 0 ? '' : keys.length === 1 ? JSON.stringify(keys[0]) : JSON.stringify(keys);
}

/** Puts rows, in their order, into the groups in which they stand. */
export function inGroups(plan: Plan, rows: readonly Row[]): Map<string, { place: GroupPlace; rows: Row[] }> {
  const groups = new Map<string, { place: GroupPlace; rows: Row[] }>();
  for (const row of rows) {
    for (const place of groupPlaces(plan, row)) {
      const name = groupName(place);
      const group = groups.get(name);
      if (group) group.rows.push(row);
      else groups.set(name, { place, rows: [row] });
    }
  }
  return groups;
}

/** The order of groups: as the keys say, by count where a key says so, what has no value last. */
export function compareGroups(gather: Gather, a: GroupPlace & { count: number }, b: GroupPlace & { count: number }): number {
  for (const [index, key] of gather.groupBy.entries()) {
    const direction = key.descending ? -1 : 1;
    if (key.byCount && a.count !== b.count) return (b.count - a.count) * direction;
    const left = a.orders[index] ?? null;
    const right = b.orders[index] ?? null;
    if (left === right) continue;
    if (left === null) return 1;
    if (right === null) return -1;
    return left < right ? -direction : direction;
  }
  return 0;
}

/**
 * The head of a group that holds `rows`.
 *
 * @param all how many rows there are before limits
 * @param steps how many tasks stand inside them
 */
export function groupOf(place: GroupPlace, sums: Sums, rows: AnswerRow[], all: number, steps = sums.count - all): AnswerGroup {
  return {
    key: place.keys.length <= 1 ? (place.keys[0] ?? null) : JSON.stringify(place.keys),
    keys: place.keys,
    label: place.labels.join(' › '),
    ...(place.labels.length > 1 && { labels: place.labels }),
    count: sums.count,
    steps,
    totals: totalsFrom(sums),
    rows,
    more: all - rows.length,
  };
}

/** Groups rows that are all there is to group: what a limit left. */
export function groupedOnce(plan: Plan, rows: readonly Row[]): AnswerGroup[] {
  const most = plan.gather.limitPerGroup ?? Infinity;
  const groups = [...inGroups(plan, rows).values()].map(({ place, rows: inside }) => {
    const sums = sumsOf(inside);
    const nested = nestSteps(plan, inside);
    return { ...place, count: sums.count, group: groupOf(place, sums, nested.slice(0, most), nested.length) };
  });
  return groups.sort((a, b) => compareGroups(plan.gather, a, b)).map(({ group }) => group);
}

/**
 * An answer of which a limit shows the first rows.
 *
 * @param shown the rows within the limit, in order
 * @param all how many rows there are
 */
export function limitedAnswer(plan: Plan, sums: Sums, resting: number, shown: readonly AnswerRow[], all: number): Answer {
  const { limit, limitPerGroup, groupBy } = plan.gather;
  const head = { total: sums.count, resting, totals: totalsFrom(sums), more: limit === null ? 0 : all - shown.length };
  if (groupBy.length > 0) return { ...head, groups: groupedOnce(plan, flatten(shown)) };
  const inGroup = limit === null ? all : shown.length;
  return {
    ...head,
    groups: inGroup === 0 ? [] : [groupOf(NO_PLACE, sums, shown.slice(0, limitPerGroup ?? Infinity), inGroup, sums.count - all)],
  };
}

/**
 * Puts each step inside the row of its nearest parent that is there; what has none is a row. Nothing is left out.
 *
 * @param rows all rows of a group, or all that one note brings to it
 */
export function nestSteps({ gather }: Plan, rows: readonly Row[]): AnswerRow[] {
  // Only what stands above some row can hold it; most rows stand neither above nor in another.
  const above = new Map<Row, AnswerRowInMaking | null>();
  if (!gather.stepsApart) for (const row of rows) for (let up = row.parent; up && !above.has(up); up = up.parent) above.set(up, null);
  const made = rows.map((row): AnswerRowInMaking => ({ row, steps: [] }));
  if (above.size === 0) return made;
  for (const entry of made) if (above.has(entry.row)) above.set(entry.row, entry);
  return made.filter((entry) => {
    let up = entry.row.parent;
    while (up && !above.get(up)) up = up.parent;
    const parent = up && above.get(up);
    parent?.steps.push(entry);
    return !parent;
  });
}

export function flatten(rows: readonly AnswerRow[]): Row[] {
  return rows.flatMap((entry) => [entry.row, ...flatten(entry.steps)]);
}
