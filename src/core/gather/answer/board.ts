import { STATUS_NAMES, type Status } from '../../task/line/status';
import type { Form, GroupKeyName } from '../language/ast';

/** How many finished cards a board shows. */
const MOST_FINISHED = 10;
/** The key of the column of what is finished. */
export const FINISHED = 'finished';
const CLOSED: readonly (string | null)[] = ['done', 'cancelled'];

/** A group of an answer that is grouped by the key of a board. */
interface Group<Card> {
  key: string | null;
  label: string;
  count: number;
  rows: readonly Card[];
}

/** A column of a board. */
export interface BoardColumn<Card> {
  /** The value of its cards; null for those without one, `finished` for the column of what is closed. */
  key: string | null;
  label: string;
  /** All its tasks, steps included. */
  count: number;
  cards: readonly Card[];
  /** Cards that are left out. */
  more: number;
}

/**
 * The columns of a board: the named ones in their order, else one a value, then those of values that were not named, so
 * that nothing is left out; and last, on a board by status, one of what is finished: the last ten by their moment.
 *
 * @param groups what the gather comes to, grouped by the key of the board
 * @param closedAt minutes since 1970 at which a card was closed; -Infinity for one that does not say
 */
export function boardColumns<Card>(
  form: Extract<Form, { is: 'board' }>,
  groups: readonly Group<Card>[],
  closedAt: (card: Card) => number,
): BoardColumn<Card>[] {
  const byStatus = form.by === 'status';
  const closed = byStatus ? groups.filter((group) => CLOSED.includes(group.key?.split(' ')[0] ?? null)) : [];
  const going = groups.filter((group) => !closed.includes(group));
  const named = form.columns.length > 0 ? form.columns : byStatus ? ['todo', 'underway', 'waiting'] : [];
  const columns = named.map((value): BoardColumn<Card> => {
    const group = going.find((one) => stands(one, value));
    return group ? columnOf(group, value) : { key: value, label: emptyLabel(form.by, value), count: 0, cards: [], more: 0 };
  });
  for (const group of going) if (!named.some((value) => stands(group, value))) columns.push(columnOf(group, group.key));
  if (byStatus) columns.push(finished(closed, closedAt));
  return columns;
}

/** What a named column is called while no task stands in it. */
function emptyLabel(by: GroupKeyName, value: string | null): string {
  if (value === null) return 'None';
  if (by === 'status') return STATUS_NAMES[value as Status] ?? value;
  return by === 'tag' ? `#${value}` : by === 'person' || by === 'owner' || by === 'asked' ? `@${value}` : value;
}

const columnOf = <Card>({ label, count, rows }: Group<Card>, key: string | null): BoardColumn<Card> => ({
  key,
  label,
  count,
  cards: rows,
  more: 0,
});

function finished<Card>(groups: readonly Group<Card>[], closedAt: (card: Card) => number): BoardColumn<Card> {
  const all = groups.flatMap(({ rows }) => rows).sort((a, b) => closedAt(b) - closedAt(a));
  const cards = all.slice(0, MOST_FINISHED);
  const count = groups.reduce((sum, group) => sum + group.count, 0);
  return { key: FINISHED, label: 'Finished', count, cards, more: all.length - cards.length };
}

/** Whether a named column is that of a group; an added status is named by its name. */
const stands = ({ key, label }: Group<unknown>, value: string | null): boolean =>
  sameKey(key, value) || (value !== null && sameKey(label, value));

const sameKey = (a: string | null, b: string | null): boolean => (a === null || b === null ? a === b : a.toLowerCase() === b.toLowerCase());
