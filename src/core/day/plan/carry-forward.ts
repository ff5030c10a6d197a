import type { Day } from '../../calendar/day';
import type { Row } from '../../gather/rows/row';
import { isOpen } from '../../task/line/status';
import type { DaySettings } from '../day-settings';
import { plannedDay } from './planned';

/** A task that an earlier day left open, and that day. */
export interface LeftOpen {
  row: Row;
  day: Day;
}

/** What is offered to be carried forward, and how many are not, by the reason. */
export interface CarryOffer {
  /** By day, then by place. */
  offered: LeftOpen[];
  left: { rests: number; waits: number; repeats: number; leftAlone: number };
}

/**
 * What earlier days left open: planned for a past day (`plannedDay`) and still open. What rests, waits, repeats or was left alone before
 * is only counted.
 *
 * @param isLeftAlone whether somebody decided before to leave this task of that day where it is
 */
export function carryOffer(
  rows: Iterable<Row>,
  today: Day,
  settings: Pick<DaySettings, 'slipHeading'>,
  isLeftAlone: (left: LeftOpen) => boolean = () => false,
): CarryOffer {
  const offered: LeftOpen[] = [];
  const left = { rests: 0, waits: 0, repeats: 0, leftAlone: 0 };
  for (const row of rows) {
    const { task, head } = row;
    if (row.what !== 'task' || row.echo !== null || head.kind === 'archive' || !isOpen(task.status)) continue;
    const day = plannedDay(task, { journal: head.journal, isStep: row.parent !== null }, settings);
    if (day === null || day >= today) continue;
    if (row.back !== null && row.back > today) left.rests++;
    else if (task.status === 'waiting') left.waits++;
    else if (task.every !== null) left.repeats++;
    else if (isLeftAlone({ row, day })) left.leftAlone++;
    else offered.push({ row, day });
  }
  offered.sort(
    (a, b) => a.day - b.day || (a.row.head.path < b.row.head.path ? -1 : a.row.head.path > b.row.head.path ? 1 : a.row.index - b.row.index),
  );
  return { offered, left };
}

/** What is remembered of a task that was left alone; planned for another day, it is offered again. */
export const leftAloneSign = ({ row, day }: LeftOpen): string => [row.head.path, row.task.text, day].join('\n');
