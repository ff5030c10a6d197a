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

/** Counts the tasks of a note. Tags and people are counted under their folded names, open tasks only. */
export function tallyOf(rows: readonly Row[]): Tally {
  const tally = emptyTally();
  for (const row of rows) {
    if (row.head.kind === 'archive') continue;
    countDays(tally, row);
    if (!isOpen(row.task.status)) continue;
    tally.open++;
    for (const tag of row.tags) tally.tags.set(tag, (tally.tags.get(tag) ?? 0) + 1);
    for (const person of row.people) tally.people.set(person, (tally.people.get(person) ?? 0) + 1);
  }
  return tally;
}

function countDays(tally: Tally, row: Row): void {
  const { due, plan, takes, status, done, pushed } = row.task;
  const open = isOpen(status);
  if (open && due) dayIn(tally, due.from).due++;
  if (plan && plan.from === plan.to) {
    const day = dayIn(tally, plan.from);
    if (open) day.minutes += takes ?? 0;
    if (status !== 'cancelled') day.planned++;
    if (done && done.from <= plan.from) day.kept++;
  }
  for (const left of pushed) dayIn(tally, left).planned++;
}

function dayIn(tally: Tally, day: Day): DayTally {
  let found = tally.days.get(day);
  if (!found) tally.days.set(day, (found = { due: 0, minutes: 0, planned: 0, kept: 0 }));
  return found;
}

/** Adds a note's counts to those of the whole, or with `sign` -1 takes them away. */
export function addTally(total: Tally, part: Tally, sign: 1 | -1): void {
  total.open += sign * part.open;
  addCounts(total.tags, part.tags, sign);
  addCounts(total.people, part.people, sign);
  for (const [day, counts] of part.days) {
    const found = dayIn(total, day);
    found.due += sign * counts.due;
    found.minutes += sign * counts.minutes;
    found.planned += sign * counts.planned;
    found.kept += sign * counts.kept;
    if (found.due === 0 && found.minutes === 0 && found.planned === 0 && found.kept === 0) total.days.delete(day);
  }
}

function addCounts(total: Map<string, number>, part: Map<string, number>, sign: 1 | -1): void {
  for (const [name, count] of part) {
    const next = (total.get(name) ?? 0) + sign * count;
    if (next === 0) total.delete(name);
    else total.set(name, next);
  }
}
