import { withoutSigns } from '../../formats/out/plain-words';
import { spanText } from '../../task/acts/shift-dates';
import type { Priority } from '../../task/line/clause';
import type { Status } from '../../task/line/status';
import type { Task } from '../../task/line/task-line';

/** What a task has in common on both of its faces: here, as a line, and on an outside list. */
export interface SharedTask {
  /** Without the tags behind them. */
  words: string;
  status: Status;
  /** `2026-11-27`, with a time `2026-11-27 15:00`; null for none. */
  due: string | null;
  plan: string | null;
  priority: Priority | null;
  /** Of the line itself, without signs, in order. */
  tags: readonly string[];
  /** The phrase of its repeat, without `every`; a rule that no phrase says begins with `RRULE:`. */
  every: string | null;
}

/** The order in which changes are done: the status last, since a repeat goes on from what stands beside it. */
export const SHARED_FIELDS = ['words', 'tags', 'due', 'plan', 'priority', 'every', 'status'] as const;
export type SharedField = (typeof SHARED_FIELDS)[number];

/** A rule that no phrase of Recado says is kept as it is, and goes into no line. */
export const RULE = 'RRULE:';

/** What the line of a task shares. */
export function sharedOf(task: Task): SharedTask {
  return {
    words: wordsAlone(task.text, task.tags),
    status: task.status,
    due: task.due && spanText(task.due),
    plan: task.plan && spanText(task.plan),
    priority: task.priority,
    tags: [...new Set(task.tags)].sort(),
    every: task.every === null ? null : task.every.replace(/^every\s+/, ''),
  };
}

/** Words without the tags at their end; those that stand among them are words too. */
function wordsAlone(text: string, tags: readonly string[]): string {
  const last = /\s*#([^\s#]+)$/u.exec(text);
  const rest = last ? text.slice(0, last.index) : '';
  return last && rest !== '' && tags.includes(last[1] ?? '') ? wordsAlone(rest, tags) : text;
}

/** Whether both say the same; what only Recado reads, as a link, is its words to others. */
export function sameField(field: SharedField, one: SharedTask, other: SharedTask): boolean {
  if (field === 'tags') return one.tags.join(' ') === other.tags.join(' ');
  return field === 'words' ? withoutSigns(one.words) === withoutSigns(other.words) : one[field] === other[field];
}

/** A task as others can read it. */
export const asOthersRead = (task: SharedTask): SharedTask => ({ ...task, words: withoutSigns(task.words) });

/** Whether both say the same of everything. */
export const sameTask = (one: SharedTask, other: SharedTask): boolean => SHARED_FIELDS.every((field) => sameField(field, one, other));

/** The fields of one task that are to stand in another. */
export function withFields(task: SharedTask, from: SharedTask, fields: readonly SharedField[]): SharedTask {
  return { ...task, ...Object.fromEntries(fields.map((field) => [field, from[field]])) };
}
