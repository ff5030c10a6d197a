import type { Day } from '../calendar/day';
import type { Span } from '../calendar/span';
import type { AnswerGroup, AnswerRow } from '../gather/answer';
import type { GatherError } from '../gather/ast';
import { isLate, isResting } from '../gather/state';
import type { Priority } from '../task/clause';
import type { Status } from '../task/status';
import type { Row } from './row';

/** A task as a list shows it: plain data that crosses from the worker to the page. */
export interface RowView {
  /** The same as long as the task stands at its place: for lists that must keep their rows. */
  id: string;
  path: string;
  /** From 0. */
  line: number;
  /** The whole line, by which an action finds it. */
  raw: string;
  noteTitle: string;
  journal: Day | null;
  headings: readonly string[];
  text: string;
  status: Status;
  priority: Priority | null;
  late: boolean;
  /** The day it comes back; null when it does not rest. */
  restsUntil: Day | null;
  due: Span | null;
  plan: Span | null;
  takes: number | null;
  every: string | null;
  owner: string | null;
  asked: string | null;
  done: Span | null;
  cancelled: Span | null;
  /** Steps that are not cancelled, at any depth, and how many of them are done. */
  stepCount: number;
  stepsDone: number;
  steps: RowView[];
}

export interface GroupView {
  key: string | null;
  label: string;
  count: number;
  more: number;
  /** Minutes that the open tasks of the group take together. */
  takes: number;
  rows: RowView[];
}

/** What a subscribed gather comes to now. */
export interface AnswerView {
  title: string | null;
  /** What the gather asks, in plain English; empty while it cannot be read. */
  sentence: string;
  total: number;
  more: number;
  resting: number;
  groups: GroupView[];
  /** Why the text cannot be read; the groups are then those of the last text that could. */
  errors: GatherError[];
}

export function rowView(entry: AnswerRow, today: Day): RowView {
  const { row } = entry;
  const { task, head } = row;
  return {
    id: rowId(row),
    path: head.path,
    line: task.line,
    raw: task.raw,
    noteTitle: head.title,
    journal: head.journal,
    headings: task.headings,
    text: task.text,
    status: task.status,
    priority: task.priority,
    late: isLate(row, today),
    restsUntil: isResting(row, today) ? row.back : null,
    due: task.due,
    plan: task.plan,
    takes: task.takes,
    every: task.every,
    owner: task.owner,
    asked: task.asked,
    done: task.done,
    cancelled: task.cancelled,
    stepCount: row.steps,
    stepsDone: row.stepsDone,
    steps: entry.steps.map((step) => rowView(step, today)),
  };
}

/** Note and line, which is what a person would point at. */
export function rowId(row: Row): string {
  return `${row.head.path}:${row.task.line}`;
}

export function groupView(group: AnswerGroup, today: Day): GroupView {
  return {
    key: group.key,
    label: group.label,
    count: group.count,
    more: group.more,
    takes: sumTakes(group.rows),
    rows: group.rows.map((entry) => rowView(entry, today)),
  };
}

function sumTakes(rows: readonly AnswerRow[]): number {
  return rows.reduce((sum, entry) => {
    const { takes, status } = entry.row.task;
    const own = status === 'done' || status === 'cancelled' ? 0 : (takes ?? 0);
    return sum + own + sumTakes(entry.steps);
  }, 0);
}
