import { type Day, addMonths, isoDay } from '../../calendar/day';
import { numberFrom } from '../../calendar/spoken/names-of-days';
import { firstDate } from '../../calendar/repeat/repeat-dates';
import { readRepeat } from '../../calendar/repeat/repeat-phrase';
import { writtenOut } from '../../calendar/repeat/repeat';
import { type Span, readSpan } from '../../calendar/span';
import { type TimedRepeat, readTimedRepeat } from '../../calendar/spoken/spoken-repeat';
import { readSpokenDates, wordsWithout } from '../../calendar/spoken/spoken-date';
import type { ActionContext } from './action-context';
import { type ClauseName, type Priority, clauseNameOf } from '../line/clause';
import { storedValue } from '../line/clause-value';
import type { OpenNote, Refusal } from '../reading/open-note';
import { shifted, spanText, withDatesShifted } from './shift-dates';
import type { Task } from '../line/task';
import { withPattern } from '../writing/write-pattern';
import { withClause, withoutClause } from '../writing/write-tail';

const UNREAD = (value: string, name: string): Refusal => ({ refused: `“${value}” cannot be read for ${name}, so nothing was changed.` });

/** Sets a clause by its words, such as `due fri`, `high` or `owner @kofi`. */
export function setClause(opened: OpenNote, task: Task, words: string, context: ActionContext): Refusal | null {
  // `priority high` says what `high` alone says.
  const trimmed = words.trim().replace(/^priority\s+/i, '');
  if (/^(?:normal|none)$/i.test(trimmed) && trimmed !== words.trim()) return unsetClause(opened, task, 'priority');
  const word = trimmed.split(/\s/)[0] ?? '';
  const name = clauseNameOf(word.toLowerCase());
  const typed = trimmed.slice(word.length).trim();
  if (name === null) return { refused: `“${word}” is no clause that Recado knows, so nothing was changed.` };
  if (/[{};\r\n]/.test(trimmed)) return UNREAD(typed, word);
  if (name === 'owner' && typed === 'me') return unsetClause(opened, task, 'owner');
  if (name === 'every') return setRepeat(opened, task, typed, context);
  const value = storedValue(name, typed, context);
  if (value === null) return UNREAD(typed, word);
  const line = opened.edits.wordsOf(task.line);
  if (name === 'due' || name === 'plan') opened.edits.set(task.line, withDay(opened, task, name, value));
  else opened.edits.set(task.line, withClause(line, task.boxFrom, name, value === '' ? word.toLowerCase() : `${name} ${value}`));
  return null;
}

/** Sets a repeat; a time said with it becomes that of its plan or due day, and of the first day where it has none. */
function setRepeat(opened: OpenNote, task: Task, typed: string, { now }: ActionContext): Refusal | null {
  const found = readTimedRepeat(typed);
  if (!found) return UNREAD(typed, 'every');
  const line = withClause(opened.edits.wordsOf(task.line), task.boxFrom, 'every', `every ${found.phrase}`);
  opened.edits.set(task.line, found.minute === null ? line : withTimeOfRepeat(line, task, found, now.day));
  return null;
}

/** The line with the time that was said with its repeat. */
export function withTimeOfRepeat(line: string, task: Task, { phrase, minute }: TimedRepeat, today: Day): string {
  const name = task.plan || !task.due ? 'plan' : 'due';
  const repeat = readRepeat(phrase);
  const day = task[name]?.from ?? (repeat && firstDate(repeat, today)) ?? today;
  return withClause(line, task.boxFrom, name, `${name} ${spanText({ from: day, to: day, minute })}`);
}

/** Takes a clause away; the pattern of a repeat is written out first when its date goes. */
export function unsetClause(opened: OpenNote, task: Task, name: ClauseName): null {
  const line = opened.edits.wordsOf(task.line);
  const kept = name === 'due' || name === 'plan' ? withPatternWritten(line, task) : line;
  opened.edits.set(task.line, withoutClause(kept, task.boxFrom, name));
  return null;
}

/** A repeat says its whole pattern before its date changes for the first time, so that it never drifts. */
function withPatternWritten(line: string, task: Task): string {
  const repeat = task.every === null ? null : readRepeat(task.every);
  const base = (task.due ?? task.plan)?.from;
  return repeat && base !== undefined ? withPattern(line, task, writtenOut(repeat, base)) : line;
}

/** The line with another due or plan day; a day that it is moved away from to a later one is remembered in `pushed`. */
function withDay(opened: OpenNote, task: Task, name: 'due' | 'plan', value: string): string {
  const line = withPatternWritten(opened.edits.wordsOf(task.line), task);
  const moved = withClause(line, task.boxFrom, name, `${name} ${value}`);
  return withPushed(moved, task, dayLeft(opened, task, name), readSpan(value)?.from ?? null);
}

/** Remembers a day that a task left for a later one. */
function withPushed(line: string, task: Task, left: Day | null, after: Day | null): string {
  if (left === null || after === null || after <= left || task.pushed.includes(left)) return line;
  return withClause(line, task.boxFrom, 'pushed', `pushed ${[...task.pushed, left].map(isoDay).join(', ')}`);
}

/** Moves the start, plan and due day of a task together by days; each keeps its time, and a week or month stays one. */
export function shift(opened: OpenNote, task: Task, days: number): Refusal | null {
  const { start, plan, due } = task;
  if (!start && !plan && !due) return { refused: 'It has no date that could be moved, so nothing was changed.' };
  const line = withPatternWritten(opened.edits.wordsOf(task.line), task);
  const moved = withDatesShifted(line, task.boxFrom, ['start', 'plan', 'due'], days);
  const left = plan || due ? dayLeft(opened, task, plan ? 'plan' : 'due') : null;
  opened.edits.set(task.line, withPushed(moved, task, left, left === null ? null : left + days));
  return null;
}

/**
 * The day that a task leaves when its due or plan is moved: its plan; without one its due day; and an undated task of a journal
 * page leaves the day of that page. Null when it leaves none.
 */
function dayLeft(opened: OpenNote, task: Task, name: 'due' | 'plan'): Day | null {
  if (task.plan) return name === 'plan' && task.plan.from === task.plan.to ? task.plan.from : null;
  if (task.due) return task.due.from;
  return name === 'plan' && task.parent === -1 ? opened.note.journal : null;
}

const UNITS: Record<string, (day: Day, count: number) => Day> = {
  day: (day, count) => day + count,
  week: (day, count) => day + 7 * count,
  month: addMonths,
  year: (day, count) => addMonths(day, 12 * count),
};

/** `3 days`, `a week`: how far on; null for other words. */
function amountFrom(words: string): ((day: Day) => Day) | null {
  const [, first = '', unit = ''] = /^\+?(\S+) (day|week|month|year)s?$/i.exec(words.trim()) ?? [];
  const count = numberFrom(first.toLowerCase());
  const add = UNITS[unit.toLowerCase()];
  return count === null || !add ? null : (day) => add(day, count);
}

/**
 * Carries a task to another day: it gets the day that was named as its plan, and its due day stays; `by` a day moves the due day
 * instead. `3 days` counts from its own day, from today where that is past. The time of a plan stays.
 */
export function push(opened: OpenNote, task: Task, to: string, context: ActionContext): Refusal | null {
  const { now, settings } = context;
  const amount = amountFrom(to);
  if (amount) {
    const present = task.plan;
    const day = amount(Math.max(now.day, (present ?? task.due)?.from ?? now.day));
    return move(opened, task, 'plan', present ? shifted(present, day - present.from) : { from: day, to: day, minute: null });
  }
  const text = /^(?:by|on|plan|due|in|at|from)\b/i.test(to.trim()) ? to : `plan ${to}`;
  const found = readSpokenDates(text, { today: now.day, minute: now.minute, firstDayOfWeek: settings.firstDayOfWeek, bareDay: 'plan' });
  const date = found[0];
  if (!date || found.length > 1 || wordsWithout(text, found) !== '' || date.role === 'start')
    return { refused: `“${to}” names no day to move to, so nothing was changed.` };
  const name = date.role === 'remind' ? 'plan' : date.role;
  const length = date.is === 'week' ? 6 : date.is === 'month' ? 27 : 0;
  return move(opened, task, name, {
    from: date.day,
    to: date.day + length,
    minute: date.minute ?? (length === 0 ? (task[name]?.minute ?? null) : null),
  });
}

function move(opened: OpenNote, task: Task, name: 'due' | 'plan', span: Span): null {
  opened.edits.set(task.line, withDay(opened, task, name, spanText(span)));
  return null;
}

/** Lets a task rest for a time (`3 days`, from today) or until a day. */
export function rest(opened: OpenNote, task: Task, until: string, context: ActionContext): Refusal | null {
  const { now } = context;
  const day = amountFrom(until.replace(/^for /i, ''))?.(now.day);
  const value = day === undefined ? storedValue('start', until.replace(/^until /i, ''), context) : isoDay(day);
  if (value === null) return { refused: `“${until}” names no day, so nothing was changed.` };
  if (value <= isoDay(now.day)) return { refused: 'A task can only rest until a day after today; nothing was changed.' };
  opened.edits.set(task.line, withClause(opened.edits.wordsOf(task.line), task.boxFrom, 'start', `start ${value}`));
  return null;
}

export function setPriority(opened: OpenNote, task: Task, priority: Priority | null): null {
  const line = opened.edits.wordsOf(task.line);
  opened.edits.set(
    task.line,
    priority === null ? withoutClause(line, task.boxFrom, 'priority') : withClause(line, task.boxFrom, 'priority', priority),
  );
  return null;
}

/** Lightest first; unmarked ranks between low and high. */
const LADDER: readonly (Priority | null)[] = ['low', null, 'high', 'top'];

/** One step weightier (1) or lighter (-1); at either end it stays, or goes on at the other. */
export function shiftPriority(opened: OpenNote, task: Task, by: 1 | -1, wraps = false): null {
  const next = LADDER.indexOf(task.priority) + by;
  const at = wraps ? (next + LADDER.length) % LADDER.length : next;
  return at < 0 || at >= LADDER.length ? null : setPriority(opened, task, LADDER[at] ?? null);
}

/** Swaps the days of two tasks, which may stand in two notes: their plans where one has a plan, else their due days. */
export function swapDays(opened: OpenNote, task: Task, otherNote: OpenNote, other: Task): Refusal | null {
  const name = task.plan || other.plan ? 'plan' : 'due';
  const [mine, theirs] = [task[name], other[name]];
  if (!mine && !theirs) return { refused: 'Neither of the two tasks has a day, so nothing was changed.' };
  for (const [on, one, span] of [
    [opened, task, theirs],
    [otherNote, other, mine],
  ] as const) {
    if (span) move(on, one, name, span);
    else unsetClause(on, one, name);
  }
  return null;
}
