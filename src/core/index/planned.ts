import type { Day } from '../calendar/day';
import { isOpen } from '../task/line/status';
import type { Row } from '../gather/rows/row';

/** Whether an open task is planned for exactly this day. */
export function isPlannedOn(row: Row, day: Day): boolean {
  const { plan, status } = row.task;
  return isOpen(status) && plan !== null && plan.from === day && plan.to === day;
}

/** The time of its plan, in minutes after midnight. */
export function minuteOfPlan(row: Row): number | null {
  return row.task.plan?.minute ?? null;
}
