import { type Day, isoDay } from '../../calendar/day';
import { type DayItem, type DayMatter, type HandPlace, handOrder, itemsOfDay } from '../../day/day-items';
import { lengthsOf } from '../../day/length';
import type { NoteHead, Row } from '../../gather/rows/row';
import { foldPath } from '../../note/names/path';
import { readNote } from '../../task/reading/read-note';
import type { Library } from '../library';
import type { NoteEntry } from '../note-entry';

/** Everything of a day, in its order; see `itemsOfDay`. */
export function dayItems(library: Library, day: Day): DayItem[] {
  const matter = { ...matterOf(library, day), tasks: withLengths(rowsAround(library, day)), order: orderOn(library, day) };
  return itemsOfDay(day, library.days.pageOf(day)?.head.path ?? null, matter, library.daySettings);
}

const ORDERS = new WeakMap<NoteEntry, readonly HandPlace[]>();

/** The order by hand that the page of a day holds; read once for each text of it. */
export function orderOn(library: Library, day: Day): readonly HandPlace[] {
  const page = library.days.pageOf(day);
  if (!page) return [];
  const known = ORDERS.get(page) ?? handOrder(readNote(page.head.path, page.text, page.settings), page.daySettings);
  ORDERS.set(page, known);
  return known;
}

/** What of a day has a time, by its time; each with whether it says itself how long it is. */
export function startsOf(library: Library, day: Day): { item: DayItem; saysLength: boolean }[] {
  const rows = library.days.startingOn(day).flatMap(({ head }) => head.rows.filter(({ task }) => task.plan?.minute != null));
  const matter = { ...matterOf(library, day), tasks: withLengths(rows), order: [] };
  const says = new Set<string>();
  for (const { row, minutes } of withLengths(rows)) if (minutes !== null) says.add(`${row.head.path}:${row.task.line}`);
  return itemsOfDay(day, null, matter, library.daySettings)
    .filter(({ start }) => start !== null)
    .map((item) => ({ item, saysLength: says.has(`${item.path}:${item.line ?? ''}`) }));
}

/** Why a day counts in no share, by its journal page; null when it counts. */
export function excuseOf(library: Library, day: Day): string | null {
  return library.days.pageOf(day)?.times?.excused ?? null;
}

function matterOf(library: Library, day: Day): Pick<DayMatter, 'timed' | 'meetingOf'> {
  return {
    timed: library.days.timedOn(day).flatMap(({ head, times }) => (times ? [{ path: head.path, title: head.title, times }] : [])),
    meetingOf: (link, from) => {
      const key = library.names.pathOf(link, foldPath(from));
      return key === null ? null : (library.entries.get(key)?.head.path ?? null);
    },
  };
}

/** The tasks among which are all that are planned for a day, found by the table. */
function rowsAround(library: Library, day: Day): Row[] {
  const text = `plan = ${isoDay(day)} or journal = ${isoDay(day)}\nsteps apart\nincluding resting`;
  return library.ask(text).answer.groups.flatMap((group) => group.rows.map(({ row }) => row));
}

/** How long a task takes by what it and its steps say, in minutes; null where neither says anything. */
export const lengthOfRow = (row: Row): number | null => knownLengths(row.head)[row.index] ?? null;

const KNOWN = new WeakMap<NoteHead, readonly (number | null)[]>();

/** A note that changes gets another head. */
function knownLengths(head: NoteHead): readonly (number | null)[] {
  const known = KNOWN.get(head) ?? lengthsIn(head);
  KNOWN.set(head, known);
  return known;
}

function withLengths(rows: readonly Row[]): DayMatter['tasks'] {
  return rows.map((row) => ({ row, minutes: lengthOfRow(row) }));
}

const lengthsIn = ({ rows }: NoteHead): (number | null)[] =>
  lengthsOf(rows.map(({ task: { takes, status }, parent }) => ({ takes, status, parent: parent?.index ?? -1 })));
