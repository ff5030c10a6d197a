import type { Day } from '../../calendar/day';
import type { ActionContext } from './action-context';
import { push } from './clause-actions';
import type { Intention } from './intention';
import type { OpenNote, Refusal } from '../reading/open-note';
import { skipOccurrences } from './status-actions';
import { type Task, comesBack, readTaskLine } from '../line/task';

/**
 * Carries a task on to another day, as its plan. A repeat that is due by today leaves that out instead and comes back with its next
 * time, unless it is to be taken along.
 */
export function carry(
  opened: OpenNote,
  task: Task,
  { to, repeats }: Extract<Intention, { do: 'carry' }>,
  context: ActionContext,
): Refusal | null {
  const day = (task.due ?? task.plan)?.from;
  if (repeats === 'along' || task.every === null || day === undefined || day > context.now.day) return push(opened, task, to, context);
  const refusal = skipOccurrences(opened, task, context);
  if (refusal) return refusal;
  const left = readTaskLine(opened.edits.wordsOf(task.line), task.boxFrom, context.settings);
  if (!left || left.sign === '-' || isAway(left, context.now.day, context.settings.repeatLead)) return null;
  left.line = task.line;
  return push(opened, left, to, context);
}

/** Whether a task that is due after today stands in no list of today. */
function isAway(task: Task, today: Day, lead: number | null = 0): boolean {
  const back = comesBack(task, lead);
  if (back !== null && back > today) return true;
  if (task.plan) return task.plan.from > today;
  return task.start === null || task.start < today - 6;
}
