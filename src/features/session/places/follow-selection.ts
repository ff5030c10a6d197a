import type { AnswerView, RowView } from '../../../core/index/live/view';
import { foldPath } from '../../../core/note/names/path';
import type { Selection } from '../state/selection-slice';

type Answers = Readonly<Record<string, AnswerView>>;

/**
 * What is selected after lists changed. A row is known by what it is: its ref, else its words and place; where lines came or went above, it
 * is found again, and what is not found in any list that showed it is selected no more. Another task that now stands on its line is never
 * selected in its stead.
 *
 * @param changed the lists that changed
 * @returns the same selection when nothing of it moved
 */
export function followSelection(selection: Selection, before: Answers, after: Answers, changed: readonly string[]): Selection {
  const chosen = Object.values(selection);
  if (chosen.length === 0) return selection;
  const shown = new Set(changed.flatMap((id) => rowsOf(before[id]).map(keyOf)));
  const concerned = chosen.filter((row) => shown.has(keyOf(row)));
  if (concerned.length === 0) return selection;
  const paths = new Set(concerned.map((row) => foldPath(row.path)));
  const present = new Map<string, RowView[]>();
  for (const answer of Object.values(after)) {
    for (const row of rowsOf(answer)) {
      const path = foldPath(row.path);
      if (!paths.has(path)) continue;
      const rows = present.get(path);
      if (rows) rows.push(row);
      else present.set(path, [row]);
    }
  }
  let moved = false;
  const next: Selection = {};
  for (const row of chosen) {
    const found = shown.has(keyOf(row)) ? find(row, present.get(foldPath(row.path)) ?? []) : row;
    if (!found || found.id !== row.id || found.raw !== row.raw) moved = true;
    if (found) next[found.id] = found;
  }
  return moved ? next : selection;
}

const keyOf = (row: RowView): string => `${row.id}\n${row.raw}`;

const REF = /\bref ([a-z0-9]{6})\b/;

function find(row: RowView, rows: readonly RowView[]): RowView | undefined {
  const same = rows.filter((one) => one.raw === row.raw);
  const here = same.find((one) => one.id === row.id);
  if (here) return here;
  const ref = REF.exec(row.raw)?.[1];
  if (ref !== undefined) return rows.find((one) => REF.exec(one.raw)?.[1] === ref);
  const ids = new Set(same.map((one) => one.id));
  return ids.size === 1 ? same[0] : undefined;
}

function rowsOf(answer: AnswerView | undefined): RowView[] {
  const rows: RowView[] = [];
  const add = (all: readonly RowView[]): void => {
    for (const row of all) {
      rows.push(row);
      add(row.steps);
    }
  };
  for (const group of answer?.groups ?? []) add(group.rows);
  return rows;
}
