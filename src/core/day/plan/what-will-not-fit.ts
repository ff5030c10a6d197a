import type { Day } from '../../calendar/day';
import type { Priority } from '../../task/line/clause';
import { priorityRank } from '../../task/line/task';

/** A task that takes time and is due. */
export interface DueLoad {
  /** The day by which it must be done; of what is late, today. */
  due: Day;
  /** How long it takes, in minutes; above 0. */
  minutes: number;
  /** The first day on which it can be worked at. */
  from: Day;
  priority: Priority | null;
}

/** What cannot be done in time. */
export interface Unfit<Load> {
  load: Load;
  /** Whether it does not even fit alone, between the day it comes back and its due day. */
  alone: boolean;
}

/**
 * What must move so that all the rest can be done in time, worked at in the order of due days: the fewest tasks (J. M. Moore, "An n job,
 * one machine sequencing algorithm for minimizing the number of late jobs", Management Science 15, 1968, with Hodgson's form of it). Where
 * one of several equally long ones must move, low goes before normal, high and top, then what is due later. Tasks that do not fit even
 * alone stand first.
 *
 * @param hoursUntil the minutes that are there from today to the end of a day
 * @example whatWillNotFit([{ due: 1, minutes: 90, … }, { due: 1, minutes: 60, … }], () => 120) // the one of 90 minutes
 */
export function whatWillNotFit<Load extends DueLoad>(loads: readonly Load[], hoursUntil: (day: Day) => number): Unfit<Load>[] {
  const fitsAlone = ({ due, from, minutes }: Load): boolean => minutes <= hoursUntil(due) - hoursUntil(from - 1);
  const alone = loads.filter((load) => !fitsAlone(load));
  const order = loads.filter(fitsAlone).sort((a, b) => a.due - b.due);
  const moved = new Set<Load>();
  /** What was taken in so far, that which moves first last. */
  const taken: Load[] = [];
  let minutes = 0;
  for (const load of order) {
    taken.splice(placeFor(taken, load), 0, load);
    minutes += load.minutes;
    if (minutes <= hoursUntil(load.due)) continue;
    const first = taken.pop();
    if (!first) continue;
    moved.add(first);
    minutes -= first.minutes;
  }
  return [
    ...alone.sort((a, b) => a.due - b.due).map((load) => ({ load, alone: true })),
    ...order.filter((load) => moved.has(load)).map((load) => ({ load, alone: false })),
  ];
}

/** Below 0 where the first stays rather than the second. */
const staysBefore = (a: DueLoad, b: DueLoad): number =>
  a.minutes - b.minutes || priorityRank(a.priority) - priorityRank(b.priority) || a.due - b.due;

/** Where a load belongs among those that stand in that order: behind its equals. */
function placeFor(taken: readonly DueLoad[], load: DueLoad): number {
  let from = 0;
  let to = taken.length;
  while (from < to) {
    const middle = (from + to) >> 1;
    const there = taken[middle];
    if (there && staysBefore(there, load) <= 0) from = middle + 1;
    else to = middle;
  }
  return from;
}
