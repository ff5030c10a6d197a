import { type Day, isoDay } from '../../../core/calendar/day';
import type { LeftOpenTask } from '../../../core/index/questions/past/carry';
import { dayOfTitle, baseNameOf } from '../../../core/note/names/path';
import type { LineRef } from '../../../core/task/writing/edit';
import type { WideIntention } from '../../../core/task/acts/intention';

/** What may become of a task that an earlier day left open, in the order of their keys: 1 to 5. */
export const CHOICES = ['today', 'day', 'undated', 'cancel', 'alone'] as const;
export type Choice = (typeof CHOICES)[number];

export interface Chosen {
  choice: Choice;
  /** The day that was chosen, where one was. */
  day: Day | null;
  /** Why it was cancelled. */
  remark: string;
}

/** What is done to the tasks, and which are remembered as left alone. */
export interface CarryPlan {
  acts: { ref: LineRef; intentions: WideIntention[] }[];
  alone: string[];
}

/**
 * What choices come to. A task without a day stays on the page where it stands, and is not offered again.
 *
 * @param moveTo where a line of a journal page goes with what is under it, by its new day; null where lines stay
 */
export function carryPlan(
  choices: readonly { task: LeftOpenTask; chosen: Chosen }[],
  today: Day,
  moveTo: ((day: Day, from: string) => string | null) | null,
): CarryPlan {
  const plan: CarryPlan = { acts: [], alone: [] };
  for (const { task, chosen } of choices) {
    const intentions = intentionsOf(task, chosen, today, moveTo);
    if (intentions.length > 0) plan.acts.push({ ref: { path: task.path, line: task.line, expected: task.raw }, intentions });
    if (chosen.choice === 'alone' || chosen.choice === 'undated') plan.alone.push(task.sign);
  }
  return plan;
}

function intentionsOf(
  task: LeftOpenTask,
  { choice, day, remark }: Chosen,
  today: Day,
  moveTo: ((day: Day, from: string) => string | null) | null,
): WideIntention[] {
  switch (choice) {
    case 'today':
    case 'day': {
      const to = choice === 'today' ? today : (day ?? today);
      const place = moveTo && dayOfTitle(baseNameOf(task.path)) !== null ? moveTo(to, task.path) : null;
      return [{ do: 'push', to: isoDay(to) }, ...(place === null ? [] : [{ do: 'move' as const, to: place }])];
    }
    case 'undated':
      return [{ do: 'unset', clause: 'plan' }];
    case 'cancel':
      return [{ do: 'status', status: 'cancelled', ...(remark.trim() !== '' && { remark }) }];
    case 'alone':
      return [];
  }
}
