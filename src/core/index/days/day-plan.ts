import { type Day, isoDay } from '../../calendar/day';
import type { Now } from '../../calendar/span';
import type { DayItem } from '../../day/day-items';
import { isOpen } from '../../task/line/status';
import { taskOfRef } from '../../task/reading/ref-problems';
import { type HandAndThen, inHand } from '../../day/plan/in-hand';
import { type FoundTask, foundOf } from '../questions/of-a-task/found-task';
import type { Row } from '../../gather/rows/row';
import { foldPath } from '../../note/names/path';
import type { Library } from '../library';
import { type RowView, rowView } from '../live/view';
import { dayItems, orderOn } from './day-matter';

/** Something of a day, with the row of its task. */
export interface PlanItem extends DayItem {
  /** Null for what is no task. */
  row: RowView | null;
  /** The line of an appointment; null for anything else. */
  raw: string | null;
}

/** An echo in the order of a day for a task that is not planned for it. */
export interface Stray {
  ref: string;
  /** Null where the task is gone. */
  task: FoundTask | null;
}

/** A day turned to its plan. */
export interface DayPlan {
  items: PlanItem[];
  strays: Stray[];
}

/** Everything of a day in its order, with the rows of its tasks. */
export function dayPlanOf(library: Library, day: Day): DayPlan {
  const items = dayItems(library, day);
  const planned = items.map((item) => ({
    ...item,
    row: item.kind === 'task' ? rowAt(library, item) : null,
    raw: item.kind === 'appointment' ? lineAt(library, item) : null,
  }));
  const strays = orderOn(library, day).flatMap(({ ref }): Stray[] => {
    if (ref === null) return [];
    const at = taskOfRef(library.refs.table, ref);
    const row = at && rowOf(library, at);
    // What is closed was in the day, or went another way: nothing is to be planned.
    if (row && (planned.some((item) => item.path === row.head.path && item.line === row.task.line) || !isOpen(row.task.status))) return [];
    return [{ ref, task: row ? foundOf(row) : null }];
  });
  return { items: planned, strays };
}

const rowOf = (library: Library, { path, line }: { path: string; line: number | null }): Row | undefined =>
  library.entries.get(foldPath(path))?.head.rows.find(({ task }) => task.line === line);

function rowAt(library: Library, item: DayItem): RowView | null {
  const row = rowOf(library, item);
  return row ? rowView({ row, steps: [] }, library.today) : null;
}

function lineAt(library: Library, { path, line }: DayItem): string | null {
  const text = library.entries.get(foldPath(path))?.text;
  return text === undefined || line === null ? null : (text.split(/\r?\n/)[line] ?? null);
}

/** Something that is in hand or comes then, with what finds its line; null where it is no task. */
export interface HandItem extends DayItem {
  task: FoundTask | null;
}

export type InHand = HandAndThen<HandItem>;

/** What is in hand at a moment of today, and what comes then. */
export function inHandAt(library: Library, now: Now): InHand {
  const items = dayItems(library, now.day).map((item) => handItem(library, item));
  const underway = library
    // What was begun before today is not in hand, and in a large library it is much.
    .ask(`underway and since = ${isoDay(now.day)}\nsteps apart\nincluding resting`)
    .answer.groups.flatMap((group) => group.rows.map(({ row }) => row));
  const begun = underway.flatMap((row) => {
    const { task, head } = row;
    const { since } = task;
    if (since?.minute == null || since.minute > now.minute) return [];
    const known = items.find((item) => item.path === head.path && item.line === task.line);
    const item: HandItem = known ?? {
      kind: 'task',
      path: head.path,
      line: task.line,
      text: task.text,
      start: null,
      end: null,
      minutes: task.takes,
      status: task.status,
      task: foundOf(row),
    };
    return [{ item, since: since.minute }];
  });
  return inHand(items, begun, now);
}

function handItem(library: Library, item: DayItem): HandItem {
  const row = item.kind === 'task' ? rowOf(library, item) : undefined;
  return { ...item, task: row ? foundOf(row) : null };
}
