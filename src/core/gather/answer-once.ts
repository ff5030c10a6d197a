import type { Row } from '../index/row';
import {
  type Answer,
  type AnswerRow,
  type Plan,
  addToSums,
  flatten,
  groupOf,
  groupPlaces,
  groupedOnce,
  nestSteps,
  noSums,
  totalsFrom,
} from './answer';
import { Heaviest } from './heaviest';

/** Where the rows come from that a gather looks at. */
export interface RowSource {
  /** Calls with every row that may match. */
  each: (visit: (row: Row) => void) => void;
  /** The rows of the note in which a row stands. */
  beside: (row: Row) => readonly Row[];
}

/** Answers a gather without keeping it: what a limit leaves out is counted, and never sorted. */
export function answerOnce(plan: Plan, source: RowSource): Answer {
  const { gather } = plan;
  const most = gather.limit ?? (gather.groupBy.length === 0 ? gather.limitPerGroup : null);
  const sums = noSums();
  let resting = 0;
  let rows = 0;
  const kept = most === null ? null : new Heaviest(plan.compare, most);
  const matching: Row[] = [];
  source.each((row) => {
    if (!plan.matches(row)) return;
    if (plan.hides(row)) {
      resting++;
      return;
    }
    addToSums(sums, row, 1);
    if (!kept) matching.push(row);
    else if (standsAlone(plan, row)) {
      rows++;
      kept.offer(row);
    }
  });
  const head = { total: sums.count, resting, totals: totalsFrom(sums) };
  if (!kept) {
    matching.sort(plan.compare);
    if (gather.groupBy.length > 0) return { ...head, more: 0, groups: groupedOnce(plan, matching) };
    const nested = nestSteps(plan, matching);
    return { ...head, more: 0, groups: wholeGroup(plan, sums, nested, nested.length) };
  }
  const shown = kept.sorted().map((row) => withSteps(plan, row, source.beside(row)));
  if (gather.groupBy.length > 0) return { ...head, more: rows - shown.length, groups: groupedOnce(plan, flatten(shown)) };
  const inGroup = gather.limit === null ? rows : shown.length;
  return {
    ...head,
    more: gather.limit === null ? 0 : rows - shown.length,
    groups: wholeGroup(plan, sums, gather.limitPerGroup === null ? shown : shown.slice(0, gather.limitPerGroup), inGroup),
  };
}

function wholeGroup(plan: Plan, sums: Parameters<typeof groupOf>[1], rows: AnswerRow[], all: number): Answer['groups'] {
  const [place] = rows[0] ? groupPlaces({ ...plan, gather: { ...plan.gather, groupBy: [] } }, rows[0].row) : [];
  return place ? [groupOf(place, sums, rows, all)] : [];
}

/** Whether a matching row is a row of its own: no task it stands in is in the answer. */
function standsAlone(plan: Plan, row: Row): boolean {
  if (row.parent === null || plan.gather.stepsApart) return true;
  for (let up: Row | null = row.parent; up; up = up.parent) if (plan.matches(up) && !plan.hides(up)) return false;
  return true;
}

/** A row with those of its steps that match. */
function withSteps(plan: Plan, row: Row, beside: readonly Row[]): AnswerRow {
  if (row.steps === 0 || plan.gather.stepsApart) return { row, steps: [] };
  const around = beside.filter((one) => one === row || (isUnder(one, row) && plan.matches(one) && !plan.hides(one)));
  return nestSteps(plan, around.sort(plan.compare)).find((entry) => entry.row === row) ?? { row, steps: [] };
}

function isUnder(row: Row, wanted: Row): boolean {
  for (let up = row.parent; up; up = up.parent) if (up === wanted) return true;
  return false;
}
