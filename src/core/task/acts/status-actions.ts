import type { Day } from '../../calendar/day';
import { nextDate } from '../../calendar/repeat/repeat-dates';
import { readRepeat } from '../../calendar/repeat/repeat-phrase';
import { type Repeat, writtenOut } from '../../calendar/repeat/repeat';
import { type ActionContext, type Moment, stampOf } from './action-context';
import type { ClauseName } from '../line/clause';
import { echoRefOf } from '../line/echo';
import type { OpenSteps } from './intention';
import { moveStepsOut } from '../writing/move-lines';
import { type OpenNote, type Refusal, indentOf, itemOf, listOf, tasksUnder } from '../reading/open-note';
import { addRemark } from '../writing/remark';
import { spanText, withDatesShifted } from './shift-dates';
import { type Status, isOpen, signOf } from '../line/status';
import type { Task } from '../line/task';
import { withPattern } from '../writing/write-pattern';
import { withClause, withoutClause } from '../writing/write-tail';

/** The stamp that each status leaves; the stamps of the others are taken back. */
const STAMP: Record<Status, 'done' | 'cancelled' | 'since' | null> = {
  todo: null,
  underway: 'since',
  waiting: 'since',
  done: 'done',
  cancelled: 'cancelled',
};

/** What a record of a finished occurrence leaves out, and what the open line loses. */
const NOT_RECORDED: readonly ClauseName[] = [
  'every',
  'until',
  'start',
  'lapses',
  'remind',
  'ref',
  'needs',
  'joined',
  'question',
  'pushed',
  'times',
];
const CLEARED_IN_STEPS: readonly ClauseName[] = ['done', 'cancelled', 'since', 'made', 'ref', 'pushed'];
const DATES: readonly ClauseName[] = ['due', 'plan', 'start', 'lapses', 'remind'];

export const NO_DATE = 'This task repeats but has no date to count from; give it a due or plan day first. Nothing was changed.';

export interface StatusChange {
  status: Status;
  /** The sign of an added status; else that of the status itself. */
  sign?: string;
  remark?: string | undefined;
  /** When left out, open steps stay as they are. */
  steps?: OpenSteps | undefined;
  /** Closes the line of a repeat itself instead of giving it its next date. */
  ends?: boolean;
  /** The day that the next date of a repeat is not before; the day of the action when left out. */
  notBefore?: Day;
}

/** Gives a task another status, with its stamp; a repeat that is done or cancelled takes its next date. */
export function setStatus(opened: OpenNote, task: Task, change: StatusChange, context: ActionContext): Refusal | null {
  const sign = change.sign ?? signOf(change.status);
  if (task.status === change.status && task.sign === sign) return null;
  const closes = !isOpen(change.status) && isOpen(task.status);
  const repeat = closes && !change.ends && task.every !== null ? readRepeat(task.every) : null;
  if (repeat) {
    const base = (task.due ?? task.plan)?.from;
    if (base === undefined) return { refused: NO_DATE };
    const until = Math.min(repeat.until ?? Infinity, task.until ?? Infinity);
    const { afterDone } = repeat;
    const day = afterDone ? context.now.day : (change.notBefore ?? context.now.day);
    const next = nextDate({ ...repeat, until: until === Infinity ? null : until }, base, day);
    if (next !== null) {
      finishOccurrence(opened, task, sign, change, writtenOut(repeat, base), next - base, context);
      return null;
    }
  }
  opened.edits.set(task.line, withStatus(opened.edits.wordsOf(task.line), task, change.status, sign, context.now));
  const item = itemOf(opened, task);
  if (closes && change.remark !== undefined) addRemark(opened, item, change.remark);
  if (closes && change.steps === 'close') closeSteps(opened, task, change, context);
  if (closes && change.steps === 'out') moveStepsOut(opened, task);
  return null;
}

/** Leaves out what a repeat has due by today: it comes back with the first of its dates after today. */
export function skipOccurrences(opened: OpenNote, task: Task, context: ActionContext): Refusal | null {
  return setStatus(opened, task, { status: 'cancelled', notBefore: context.now.day + 1 }, context);
}

/** A line with another sign in its box, the stamp of its status and no stamp of another. */
function withStatus(line: string, task: Pick<Task, 'boxFrom' | 'sign' | 'status'>, status: Status, sign: string, now: Moment): string {
  let next = withSign(line, task, sign);
  for (const stamp of ['done', 'cancelled', 'since'] as const) {
    // Since when it was under way and when it was done: what it took.
    if (stamp === 'since' && status === 'done' && task.status === 'underway') continue;
    if (STAMP[status] !== stamp) next = withoutClause(next, task.boxFrom, stamp);
  }
  const stamp = STAMP[status];
  return stamp ? withClause(next, task.boxFrom, stamp, `${stamp} ${stampOf(now)}`) : next;
}

function withSign(line: string, task: Pick<Task, 'boxFrom' | 'sign'>, sign: string): string {
  const from = task.boxFrom + 1;
  return line.slice(0, from) + sign + line.slice(from + task.sign.length);
}

export function openStepsOf(opened: OpenNote, task: Task): Task[] {
  return tasksUnder(opened, itemOf(opened, task)).filter((step) => step !== task && isOpen(step.status) && echoRefOf(step.text) === null);
}

function closeSteps(opened: OpenNote, task: Task, change: StatusChange, { now }: ActionContext): void {
  for (const step of openStepsOf(opened, task)) {
    opened.edits.set(step.line, withStatus(opened.edits.wordsOf(step.line), step, change.status, signOf(change.status), now));
  }
}

/** The line takes its next date and a record of this time goes to the end of its list. */
function finishOccurrence(
  opened: OpenNote,
  task: Task,
  sign: string,
  change: StatusChange,
  pattern: Repeat,
  days: number,
  context: ActionContext,
): void {
  const { edits } = opened;
  const line = edits.wordsOf(task.line);
  if (context.settings.repeatRecords === 'lines')
    addRecord(opened, task, withStatus(line, task, change.status, sign, context.now), change.remark);
  let next = withSign(line, task, signOf('todo'));
  for (const name of ['done', 'cancelled', 'since', 'pushed'] as const) next = withoutClause(next, task.boxFrom, name);
  next = withNextDates(next, task, days, task.due !== null);
  next = withPattern(next, task, { ...pattern, count: pattern.count === null ? null : pattern.count - 1 });
  if (context.settings.repeatRecords === 'count') next = withClause(next, task.boxFrom, 'times', `times ${(task.times ?? 0) + 1}`);
  edits.set(task.line, next);
  for (const step of tasksUnder(opened, itemOf(opened, task))) {
    if (step === task || echoRefOf(step.text) !== null) continue;
    let words = withSign(edits.wordsOf(step.line), step, signOf('todo'));
    for (const name of CLEARED_IN_STEPS) words = withoutClause(words, step.boxFrom, name);
    edits.set(step.line, withNextDates(words, step, days, true));
  }
}

/**
 * The dates of a line so many days on. A plan that was moved counts from where it was at first, and one that only carrying gave goes.
 *
 * @param keepsPlan false where the plan is what the repeat counts from
 */
function withNextDates(line: string, { due, plan, pushed, boxFrom }: Task, days: number, keepsPlan: boolean): string {
  const [first] = pushed;
  let words = line;
  if (plan && first !== undefined && keepsPlan) {
    const before = spanText({ from: first, to: first, minute: plan.minute });
    words = first === due?.from ? withoutClause(line, boxFrom, 'plan') : withClause(line, boxFrom, 'plan', `plan ${before}`);
  }
  return withDatesShifted(words, boxFrom, DATES, days);
}

function addRecord(opened: OpenNote, task: Task, closed: string, remark: string | undefined): void {
  const item = itemOf(opened, task);
  const last = listOf(opened, item).at(-1) ?? item;
  let words = closed.slice(task.markerFrom);
  for (const name of NOT_RECORDED) words = withoutClause(words, task.boxFrom - task.markerFrom, name);
  const indent = indentOf(opened, item);
  // Records that this action put there already count on.
  const before = opened.edits
    .insertedBefore(last.lastLine + 1)
    .filter((line) => line.startsWith(indent) && /^\d/.test(line.slice(indent.length)));
  const marker = numberedAfter(last.marker, 1 + before.length);
  opened.edits.insertBefore(last.lastLine + 1, [indent + marker + words.slice(item.marker.length)]);
  if (remark !== undefined) addRemark(opened, item, remark, last.lastLine + 1);
}

/** The marker of an item some places behind one: the same bullet, or the number that comes there. */
function numberedAfter(marker: string, places: number): string {
  return marker.replace(/^\d+/, (digits) => String(Math.min(999_999_999, Number(digits) + places)));
}
