import type { Day } from '../../calendar/day';
import type { Span } from '../../calendar/span';
import type { AnswerGroup, AnswerRow } from '../../gather/answer/answer';
import { type BoardColumn, type CardFacts, boardColumns } from '../../gather/forms/board';
import type { Totals } from '../../gather/answer/sums';
import type { Column, Form, GatherError, Source, Total } from '../../gather/language/ast';
import { isLate, isResting } from '../../gather/answer/state';
import type { Priority } from '../../task/line/clause';
import { type Status, isAddedSign, isOpen } from '../../task/line/status';
import type { NoteKind } from '../../note/facts/front-matter';
import type { NoteFacts, Row } from '../../gather/rows/row';

/** A task as a list shows it: plain data that crosses from the worker to the page. */
export interface RowView {
  what: Row['what'];
  /** The same as long as the task stands at its place. */
  id: string;
  /** The same as long as the task lives, wherever its line goes: what a list keeps of a row, as the focus or an open field, stays with it. */
  key: string;
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
  /** The sign in the box where it is none of the five, so that a note may have added it. */
  sign?: string;
  priority: Priority | null;
  late: boolean;
  /** The day it comes back; null when it does not rest. */
  restsUntil: Day | null;
  due: Span | null;
  plan: Span | null;
  takes: number | null;
  /** How often its plan was moved on. */
  pushed: number;
  every: string | null;
  owner: string | null;
  asked: string | null;
  done: Span | null;
  cancelled: Span | null;
  made: Day | null;
  /** As written, own and inherited. */
  tags: readonly string[];
  people: readonly string[];
  links: readonly string[];
  /** Of a note: its open and done tasks, its state and its level. */
  facts: NoteFacts | null;
  kind: NoteKind;
  /** The date that a note's front matter gives. */
  date: Day | null;
  /** Steps that are not cancelled, at any depth, and how many of them are done. */
  stepCount: number;
  stepsDone: number;
  steps: RowView[];
}

export interface GroupView {
  /** Names it as long as the gather lives; 0 in an answer that is made anew each time. */
  id: number;
  key: string | null;
  /** The value of each key by which it was grouped. */
  keys: readonly (string | null)[];
  label: string;
  /** Of one by several keys, how the value of each is called. */
  labels?: readonly string[];
  count: number;
  /** How many of them are steps inside a row. */
  steps: number;
  more: number;
  /** Minutes that the open tasks of the group take together. */
  takes: number;
  totals: Totals;
  rows: RowView[];
}

/** What a subscribed gather comes to now. */
export interface AnswerView {
  title: string | null;
  /** How it is to be drawn; null is a list. */
  form: Form | null;
  from: Source;
  /** The outside list that is gathered from; null for all of them, or none. */
  list: string | null;
  columns: readonly Column[] | null;
  /** What the heads sum up; null leaves it to the view. */
  sums: readonly Total[] | null;
  /** Where a task written into it goes, as a link's target. */
  into: string | null;
  /** What the gather asks, in plain English; empty while it cannot be read. */
  sentence: string;
  /** Different tasks, steps included. */
  total: number;
  /** How many of them are seen as steps inside a row. */
  steps: number;
  /** How many of them rest. */
  rests: number;
  totals: Totals;
  more: number;
  resting: number;
  groups: GroupView[];
  /** Why the text cannot be read; the groups are then those of the last text that could. */
  errors: GatherError[];
  /** Names that nothing bears, each with the nearest. */
  hints: GatherError[];
}

export function rowView(entry: AnswerRow, today: Day): RowView {
  const { row } = entry;
  const { task, head } = row;
  return {
    what: row.what,
    id: rowId(row),
    key: row.life === 0 ? rowId(row) : String(row.life),
    path: head.path,
    line: task.line,
    raw: task.raw,
    noteTitle: head.title,
    journal: head.journal,
    headings: task.headings,
    text: task.text,
    status: task.status,
    ...(isAddedSign(task.sign) && { sign: task.sign }),
    priority: task.priority,
    late: isLate(row, today),
    restsUntil: isResting(row, today) ? row.back : null,
    due: task.due,
    plan: task.plan,
    takes: task.takes,
    pushed: task.pushed.length,
    every: task.every,
    owner: task.owner,
    asked: task.asked,
    done: task.done,
    cancelled: task.cancelled,
    made: row.made,
    tags: bothOf(task.tags, task.inheritedTags),
    people: row.people,
    links: row.what === 'task' ? row.ownLinks : task.inheritedLinks,
    facts: row.facts,
    kind: head.kind,
    date: head.date ?? head.journal,
    stepCount: row.steps,
    stepsDone: row.stepsDone,
    steps: entry.steps.map((step) => rowView(step, today)),
  };
}

const bothOf = (own: readonly string[], inherited: readonly string[]): readonly string[] =>
  own.length === 0 ? inherited : inherited.length === 0 ? own : [...own, ...inherited];

/**
 * The columns of an answer that is drawn as a board; null for any other. They are its groups, which come live.
 *
 * @param finishedHeading the heading under which finished lines go
 */
export function columnsOf({ form, groups }: Pick<AnswerView, 'form' | 'groups'>, finishedHeading?: string): BoardColumn<RowView>[] | null {
  return form?.is === 'board' ? boardColumns(form, groups, CARDS, finishedHeading) : null;
}

const CARDS: CardFacts<RowView> = { idOf: ({ id }) => id, isClosed: ({ status }) => !isOpen(status), closedAt: closedMinute };

/** When a task was closed, in minutes since 1970; -Infinity for one that does not say. */
export function closedMinute({ done, cancelled }: { done: Span | null; cancelled: Span | null }): number {
  const span = done ?? cancelled;
  return span ? span.from * 1440 + (span.minute ?? 0) : -Infinity;
}

/** Note and line, which is what a person would point at. */
export function rowId(row: Row): string {
  return row.what === 'note' ? row.head.path : `${row.head.path}:${row.task.line}`;
}

/**
 * A group as a list shows it.
 *
 * @param most how many of its rows are given at most
 */
export function groupView(id: number, group: AnswerGroup, view: (entry: AnswerRow) => RowView, most = Infinity): GroupView {
  const { key, keys, label, labels, count, steps, more, totals } = group;
  return {
    id,
    key,
    keys,
    label,
    ...(labels && { labels }),
    count,
    steps,
    more,
    takes: totals.takes,
    totals,
    rows: (group.rows.length > most ? group.rows.slice(0, most) : group.rows).map(view),
  };
}
