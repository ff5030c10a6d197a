import type { Day } from '../../calendar/day';
import { foldName } from '../../note/names/names';
import { isOpen } from '../../task/line/status';
import type { Task } from '../../task/line/task';
import type { DaySettings } from '../day-settings';

/** What decides for which day a task is planned. */
export type PlannedTask = Pick<Task, 'plan' | 'due' | 'start' | 'status' | 'around' | 'done' | 'pushed' | 'every'>;

/** Where it stands. */
export interface PlannedPlace {
  /** The day of the journal page on which it is written; null for other notes. */
  journal: Day | null;
  /** Whether it is nested in another task. */
  isStep: boolean;
}

/** Whether a task stands under a heading with some folded words. */
const standsUnder = ({ around }: PlannedTask, folded: string): boolean =>
  around.headings.length > 0 && around.headings.some((heading) => foldName(heading) === folded);

/**
 * The one day for which a task is planned, whatever became of it: its plan, when that is exactly a day; else the day of the journal
 * page on which it is written, unless it is a step, has a due day or plan elsewhere, rests beyond that day, or landed there as a slip.
 */
export function plannedDay(
  task: PlannedTask,
  { journal, isStep }: PlannedPlace,
  { slipHeading }: Pick<DaySettings, 'slipHeading'>,
): Day | null {
  const { plan, due } = task;
  if (plan !== null) return plan.from === plan.to ? plan.from : null;
  if (journal === null || isStep || (due !== null && due.from !== journal)) return null;
  if (isOpen(task.status) && task.start !== null && task.start > journal) return null;
  return standsUnder(task, foldName(slipHeading)) ? null : journal;
}

/**
 * The days for which a task was planned before it was pushed: those in `pushed`, where it bears a plan or stands on the page of that
 * day. The first one is left out where it is the due day: it was never planned, only due.
 */
export function pushedDays({ pushed, plan, due }: PlannedTask, journal: Day | null): readonly Day[] {
  if (pushed.length === 0) return pushed;
  return pushed.filter((day, index) => (plan !== null || day === journal) && !(index === 0 && day === due?.from && day !== journal));
}

/** Whether a task was done by the end of a day. A done task of which nobody knows when was not. */
export function isKept({ status, done }: PlannedTask, day: Day): boolean {
  return status === 'done' && done !== null && done.from <= day;
}

/** What a task adds to what was kept of its days. */
export interface KeptShare {
  day: Day;
  kept: boolean;
  /** An occurrence of a repeat that is open: it was missed, and counts no more, once its day is past. */
  occurrence: boolean;
}

/** What a task adds to its days, each once; nothing when it is cancelled, or a routine line where these do not count. */
export function sharesOf(task: PlannedTask, place: PlannedPlace, settings: DaySettings): readonly KeptShare[] {
  if (task.status === 'cancelled') return NONE;
  const day = plannedDay(task, place, settings);
  if (day === null && task.pushed.length === 0) return NONE;
  if (!settings.routinesCount && standsUnder(task, foldName(settings.routineHeading))) return NONE;
  const pushed = pushedDays(task, place.journal).map((left): KeptShare => ({ day: left, kept: isKept(task, left), occurrence: false }));
  if (day === null || pushed.some((one) => one.day === day)) return pushed;
  return [{ day, kept: isKept(task, day), occurrence: task.every !== null && isOpen(task.status) }, ...pushed];
}

const NONE: readonly never[] = [];
