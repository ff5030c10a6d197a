import type { Day } from '../calendar/day';
import { isOpen } from '../task/status';
import type { Row } from './row';

/** What the day row shows of a day. */
export interface DayTally {
  /** Open tasks due that day, resting ones too. */
  due: number;
  /** Minutes of the open tasks planned on that day. */
  minutes: number;
  /** Tasks planned for that day, whatever became of them, and those done by its end. */
  planned: number;
  kept: number;
}

/** What the tasks of a note add to the counts of the whole. */
export interface Tally {
  open: number;
  tags: Map<string, number>;
  people: Map<string, number>;
  days: Map<Day, DayTally>;
}

export function emptyTally(): Tally {
  return { open: 0, tags: new Map(), people: new Map(), days: new Map() };
}

/**
 * Adds the tasks of a note to the counts, or with `sign` -1 takes them away. Tags and people are counted under their
 * folded names, open tasks only; notes of kind archive count nowhere.
 *
 * @returns how many of them are open
 */
export function countRows(tally: Tally, rows: readonly Row[], sign: 1 | -1): number {
  let open = 0;
  for (const row of rows) {
    if (row.head.kind === 'archive') return 0;
    // An echo stands for a task that is counted where it is written.
    if (row.echo !== null) continue;
    countDays(tally, row, sign);
    if (!isOpen(row.task.status)) continue;
    open++;
    for (const tag of row.tags) count(tally.tags, tag, sign);
    for (const person of row.people) count(tally.people, person, sign);
  }
  tally.open += sign * open;
  return open;
}

function countDays(tally: Tally, row: Row, sign: 1 | -1): void {
  const { due, plan, takes, status, done, pushed } = row.task;
  const open = isOpen(status);
  if (open && due) change(tally, due.from, sign, 0, 0, 0);
  if (plan && plan.from === plan.to) {
    const minutes = open ? (takes ?? 0) : 0;
    change(tally, plan.from, 0, sign * minutes, status === 'cancelled' ? 0 : sign, done && done.from <= plan.from ? sign : 0);
  }
  for (const left of pushed) change(tally, left, 0, 0, sign, 0);
}

/** A day that nothing is left of goes. */
function change(tally: Tally, day: Day, due: number, minutes: number, planned: number, kept: number): void {
  let found = tally.days.get(day);
  if (!found) tally.days.set(day, (found = { due: 0, minutes: 0, planned: 0, kept: 0 }));
  found.due += due;
  found.minutes += minutes;
  found.planned += planned;
  found.kept += kept;
  if (found.due === 0 && found.minutes === 0 && found.planned === 0 && found.kept === 0) tally.days.delete(day);
}

function count(counts: Map<string, number>, name: string, by: 1 | -1): void {
  const next = (counts.get(name) ?? 0) + by;
  if (next === 0) counts.delete(name);
  else counts.set(name, next);
}
