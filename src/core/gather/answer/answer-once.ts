import type { Row } from '../rows/row';
import { type Answer, type AnswerRow, type Plan, groupedOnce, limitedAnswer, nestSteps } from './answer';
import { addToSums, noSums, totalsFrom } from './sums';
import { Heaviest } from '../forms/heaviest';

/** Calls with every row that may match. */
export type EachRow = (visit: (row: Row) => void) => void;

/** Every row that matches, in order, and how many are left out because they rest. */
export function matchingRows(plan: Plan, each: EachRow): { rows: Row[]; resting: number } {
  const rows: Row[] = [];
  let resting = 0;
  each((row) => {
    if (!plan.matches(row)) return;
    if (plan.hides(row)) resting++;
    else rows.push(row);
  });
  return { rows: rows.sort(plan.compare), resting };
}

/** Answers a gather without keeping it: what a limit leaves out is counted, and never sorted. */
export function answerOnce(plan: Plan, each: EachRow): Answer {
  const { gather } = plan;
  const most = gather.limit ?? (gather.groupBy.length === 0 ? gather.limitPerGroup : null);
  const sums = noSums();
  let resting = 0;
  let rows = 0;
  const kept = most === null ? null : new Heaviest<Row>(plan.compare, most);
  const matching: Row[] = [];
  each((row) => {
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
  if (kept) {
    const shown = kept.sorted().map((row) => withSteps(plan, row));
    return limitedAnswer(plan, sums, resting, shown, rows);
  }
  matching.sort(plan.compare);
  if (gather.groupBy.length === 0) {
    const nested = nestSteps(plan, matching);
    return limitedAnswer(plan, sums, resting, nested, nested.length);
  }
  return { total: sums.count, resting, totals: totalsFrom(sums), more: 0, groups: groupedOnce(plan, matching) };
}

/** Whether a matching row is a row of its own: no task it stands in is in the answer. */
function standsAlone(plan: Plan, row: Row): boolean {
  if (row.parent === null || plan.gather.stepsApart) return true;
  for (let up: Row | null = row.parent; up; up = up.parent) if (plan.matches(up) && !plan.hides(up)) return false;
  return true;
}

/** A row with those of its steps that match, and stand among those of its group. */
export function withSteps(plan: Plan, row: Row, among: (row: Row) => boolean = () => true): AnswerRow {
  if (plan.gather.stepsApart) return { row, steps: [] };
  const { rows } = row.head;
  const around = [row];
  // What stands in a task comes right behind it.
  for (let at = row.index + 1; at < rows.length; at++) {
    const one = rows[at];
    if (!one || !isUnder(one, row)) break;
    if (among(one) && plan.matches(one) && !plan.hides(one)) around.push(one);
  }
  if (around.length === 1) return { row, steps: [] };
  return nestSteps(plan, around.sort(plan.compare)).find((entry) => entry.row === row) ?? { row, steps: [] };
}

function isUnder(row: Row, wanted: Row): boolean {
  for (let up = row.parent; up; up = up.parent) if (up === wanted) return true;
  return false;
}
