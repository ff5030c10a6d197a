import { STATUS_NAMES, type Status } from '../../task/line/status';
import type { Form, GroupKeyName } from '../language/ast';
import type { Totals } from '../answer/sums';

/** How many finished cards a board shows. */
const MOST_FINISHED = 10;
/** The key of the column of what is finished, and what stands for its group: no tag and no status is called so. */
export const FINISHED = 'finished';
const FINISHED_GROUP = 'what is finished';
const CLOSED: readonly (string | null)[] = ['done', 'cancelled'];
/** The columns that a board has in any case, where its text names none. */
const USUAL: Partial<Record<GroupKeyName, readonly string[]>> = {
  status: ['todo', 'underway', 'waiting'],
  state: ['active', 'later', 'done', 'cancelled'],
};

/** A group of an answer that is grouped by the key of a board. */
interface Group<Card> {
  key: string | null;
  label: string;
  count: number;
  rows: readonly Card[];
  totals: Totals;
}

/** What a board must know of its cards. */
export interface CardFacts<Card> {
  /** The same for a card that stands in two groups. */
  idOf: (card: Card) => string;
  isClosed: (card: Card) => boolean;
  /** Minutes since 1970 at which it was closed; -Infinity for one that does not say. */
  closedAt: (card: Card) => number;
}

/** A column of a board. */
export interface BoardColumn<Card> {
  /** The value of its cards, as the text names it; null for those without one, `finished` for the column of what is closed. */
  key: string | null;
  /** The key of the group that it shows; of an added status, other than its name. Of one that no group fills, its own. */
  group: string | null;
  label: string;
  /** All its tasks, steps included. */
  count: number;
  /** Minutes that its open tasks take. */
  takes: number;
  cards: readonly Card[];
  /** Cards that are left out, and those of the finished column with those that it shows. */
  more: number;
  all: readonly Card[];
  /** Whether it is where finished cards go. */
  finished: boolean;
}

/**
 * The columns of a board: the named ones in their order, else one a value, then those of values that were not named, so that nothing is
 * left out. What is finished stands in a last one, the last ten by their moment: on a board by status or tag all that is closed, on one by
 * heading what stands under the heading for finished lines, where there is one.
 *
 * @param groups what the gather comes to, grouped by the key of the board
 * @param finishedHeading the words of that heading
 */
export function boardColumns<Card>(
  form: Extract<Form, { is: 'board' }>,
  groups: readonly Group<Card>[],
  facts: CardFacts<Card>,
  finishedHeading = 'Finished',
): BoardColumn<Card>[] {
  const { by } = form;
  const isFinished = ({ key }: Pick<Group<Card>, 'key'>): boolean =>
    by === 'status' ? CLOSED.includes(key?.split(' ')[0] ?? null) : by === 'heading' && sameKey(key, finishedHeading);
  const closed = groups.filter(isFinished);
  const going = groups.filter((group) => !isFinished(group)).map((group) => (by === 'tag' ? openOf(group, facts) : group));
  const named = (form.columns.length > 0 ? form.columns : (USUAL[by] ?? [])).filter((key) => !isFinished({ key }));
  const columns = named.map((value): BoardColumn<Card> => {
    const group = going.find((one) => stands(one, value));
    return group ? columnOf(group, value) : { ...EMPTY, key: value, group: value, label: emptyLabel(by, value) };
  });
  for (const group of going)
    if (!named.some((value) => stands(group, value)) && (by !== 'tag' || group.rows.length > 0 || group.count > 0))
      columns.push(columnOf(group, group.key));
  if (by === 'status') columns.push(finished(closed, facts));
  if (by === 'tag')
    columns.push(
      finished(
        groups.map((group) => closedOf(group, facts)),
        facts,
      ),
    );
  const heading = by === 'heading' && (closed[0]?.key ?? form.columns.find((key) => sameKey(key, finishedHeading)));
  if (heading) columns.push({ ...finished(closed, facts), key: heading, group: heading, label: heading });
  return columns;
}

const EMPTY: Omit<BoardColumn<never>, 'key' | 'group' | 'label'> = { count: 0, takes: 0, cards: [], more: 0, all: [], finished: false };

/** A group without what is closed in it. */
function openOf<Card>(group: Group<Card>, { isClosed }: CardFacts<Card>): Group<Card> {
  return { ...group, rows: group.rows.filter((card) => !isClosed(card)), count: group.totals.open };
}

function closedOf<Card>(group: Group<Card>, { isClosed }: CardFacts<Card>): Group<Card> {
  const rows = group.rows.filter(isClosed);
  return { ...group, rows, count: rows.length };
}

/** What a named column is called while no task stands in it. */
function emptyLabel(by: GroupKeyName, value: string | null): string {
  if (value === null) return 'None';
  if (by === 'status') return STATUS_NAMES[value as Status] ?? value;
  if (by === 'state') return value.charAt(0).toUpperCase() + value.slice(1);
  return by === 'tag' ? `#${value}` : by === 'person' || by === 'owner' || by === 'asked' ? `@${value}` : value;
}

const columnOf = <Card>({ label, count, rows, totals, key: group }: Group<Card>, key: string | null): BoardColumn<Card> => ({
  key,
  group,
  label,
  count,
  takes: totals.takes,
  cards: rows,
  more: 0,
  all: rows,
  finished: false,
});

function finished<Card>(groups: readonly Group<Card>[], { idOf, closedAt }: CardFacts<Card>): BoardColumn<Card> {
  // What bears two tags is finished once.
  const once = new Map(groups.flatMap(({ rows }) => rows.map((card) => [idOf(card), card] as const)));
  const all = [...once.values()].sort((a, b) => closedAt(b) - closedAt(a));
  const cards = all.slice(0, MOST_FINISHED);
  const twice = groups.reduce((sum, { rows }) => sum + rows.length, 0) - all.length;
  const count = groups.reduce((sum, group) => sum + group.count, 0) - twice;
  return {
    key: FINISHED,
    group: FINISHED_GROUP,
    label: 'Finished',
    count,
    takes: 0,
    cards,
    more: all.length - cards.length,
    all,
    finished: true,
  };
}

/** Whether a named column is that of a group; an added status is named by its name. */
const stands = ({ key, label }: Pick<Group<unknown>, 'key' | 'label'>, value: string | null): boolean =>
  sameKey(key, value) || (value !== null && sameKey(label, value));

const sameKey = (a: string | null, b: string | null): boolean => (a === null || b === null ? a === b : a.toLowerCase() === b.toLowerCase());
