import type { Row } from '../rows/row';
import { STATUS_NAMES, type Status, isOpen } from '../../task/line/status';
import { type AnswerRow, type Plan, inGroups, nestSteps } from './answer';
import type { Form, GroupKey, GroupKeyName } from '../language/ast';

/** How many finished cards a board shows. */
const MOST_FINISHED = 10;
/** The key of the column of what is finished. */
export const FINISHED = 'finished';

export interface BoardColumn {
  /** The value of its cards; null for those without one, `finished` for the column of what is closed. */
  key: string | null;
  label: string;
  /** All its tasks, steps included. */
  count: number;
  cards: AnswerRow[];
  /** Cards that are left out. */
  more: number;
}

/**
 * The columns of a board: the named ones in their order, else one a value, then those of values that were not named, so
 * that nothing is left out; and last, on a board by status, one of what is finished: the last ten by their moment.
 *
 * @param rows matching rows in the gather's order
 */
export function boardOf(plan: Plan, form: Extract<Form, { is: 'board' }>, rows: readonly Row[]): BoardColumn[] {
  const key: GroupKey = { key: form.by, of: null, descending: false, byCount: false };
  const keyed: Plan = { ...plan, gather: { ...plan.gather, groupBy: [key] } };
  const byStatus = form.by === 'status';
  const going = byStatus ? rows.filter((row) => isOpen(row.task.status)) : rows;
  const groups = [...inGroups(keyed, going).values()];
  const named = form.columns.length > 0 ? form.columns : byStatus ? ['todo', 'underway', 'waiting'] : [];
  const columns = named.map((value) => {
    const group = groups.find((one) => sameKey(one.place.keys[0] ?? null, value));
    return columnOf(keyed, value, group?.place.labels[0] ?? emptyLabel(form.by, value), group?.rows ?? []);
  });
  const others = groups.filter((group) => !named.some((value) => sameKey(group.place.keys[0] ?? null, value)));
  others.sort((a, b) => compareKeys(a.place.orders[0] ?? null, b.place.orders[0] ?? null));
  for (const { place, rows: inside } of others) columns.push(columnOf(keyed, place.keys[0] ?? null, place.labels[0] ?? '', inside));
  if (byStatus)
    columns.push(
      finishedColumn(
        keyed,
        rows.filter((row) => !isOpen(row.task.status)),
      ),
    );
  return columns;
}

/** What a named column is called while no task stands in it. */
function emptyLabel(by: GroupKeyName, value: string | null): string {
  if (value === null) return 'None';
  if (by === 'status') return STATUS_NAMES[value as Status] ?? value;
  return by === 'tag' ? `#${value}` : by === 'person' || by === 'owner' || by === 'asked' ? `@${value}` : value;
}

function columnOf(plan: Plan, key: string | null, label: string, rows: readonly Row[]): BoardColumn {
  return { key, label, count: rows.length, cards: nestSteps(plan, rows), more: 0 };
}

function finishedColumn(plan: Plan, rows: readonly Row[]): BoardColumn {
  const nested = nestSteps(plan, rows).sort((a, b) => momentOf(b.row) - momentOf(a.row));
  const cards = nested.slice(0, MOST_FINISHED);
  return { key: FINISHED, label: 'Finished', count: rows.length, cards, more: nested.length - cards.length };
}

/** Minutes since 1970 at which a task was closed; what bears no stamp comes last. */
function momentOf({ task }: Row): number {
  const span = task.done ?? task.cancelled;
  return span ? span.from * 1440 + (span.minute ?? 0) : -Infinity;
}

const sameKey = (a: string | null, b: string | null): boolean => (a === null || b === null ? a === b : a.toLowerCase() === b.toLowerCase());

function compareKeys(a: string | number | null, b: string | number | null): number {
  if (a === b) return 0;
  if (a === null || b === null) return a === null ? 1 : -1;
  return a < b ? -1 : 1;
}
