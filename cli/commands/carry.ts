import type { Day } from '../../src/core/calendar/day';
import { type CarryOffer, carryOffer } from '../../src/core/day/plan/carry-forward';
import type { Desk } from '../desk';
import { libraryOf } from '../library-of';
import type { RunnerSettings } from '../settings';
import { type ScannedTask, scan } from './scan';

/** `carry`: what earlier days left open. What was left alone before only the application's store knows. */
export function carry(desk: Desk, settings: RunnerSettings, today: Day): { offered: ScannedTask[]; left: CarryOffer['left'] } {
  const library = libraryOf(desk, { ...settings, today });
  const { offered, left } = carryOffer(library.rows(), today, library.daySettings);
  const scanned = new Map(scan(desk, today).tasks.map((task) => [`${task.note}:${task.line}:${task.depth}`, task]));
  return {
    offered: offered.flatMap(({ row }) => scanned.get(`${row.head.path}:${row.task.line + 1}:${row.task.depth}`) ?? []),
    left,
  };
}
