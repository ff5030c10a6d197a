import type { Day } from '../../calendar/day';
import { takenBy } from '../../day/hours/taken';
import { hoursOf } from '../../day/hours/hours';
import { type DueLoad, whatWillNotFit } from '../../day/plan/what-will-not-fit';
import type { Row } from '../../gather/rows/row';
import { foldName } from '../../note/names/names';
import type { Library } from '../library';
import { type FoundTask, foundOf } from '../questions/of-a-task/found-task';
import { dayItems, lengthOfRow } from './day-matter';

/** A day with the minutes that are there and those that are due by its end. */
export interface FitDay {
  day: Day;
  hours: number;
  load: number;
}

/** What will not fit until its due day. */
export interface FitMove extends FoundTask {
  /** Its due day, also where that is past. */
  due: Day;
  minutes: number;
  /** Whether it does not even fit alone. */
  alone: boolean;
}

/** How one's own work that is due fits into the days. */
export interface Fit {
  days: FitDay[];
  move: FitMove[];
}

/** Due days further away than this are as good as never due: ten years. */
const FURTHEST = 3660;

/** @param after only what of today lies after it counts; minutes after midnight, and the whole day when left out */
export function fitOf(library: Library, after = -Infinity): Fit {
  const { today } = library;
  const loads = loadsOf(library);
  const last = Math.min(
    today + FURTHEST,
    loads.reduce((latest, { due }) => Math.max(latest, due), today),
  );
  const loadOn = new Map<Day, number>();
  for (const { due, minutes } of loads) loadOn.set(due, (loadOn.get(due) ?? 0) + minutes);
  const days: FitDay[] = [];
  const sums: number[] = [];
  let sum = 0;
  if (loads.length > 0)
    for (let day = today; day <= last; day++) {
      const taken = library.days.timedOn(day).length > 0 ? takenBy(dayItems(library, day)) : [];
      const hours = hoursOf(day, taken, library.daySettings, day === today ? after : -Infinity);
      sum += hours;
      sums.push(sum);
      days.push({ day, hours, load: loadOn.get(day) ?? 0 });
    }
  const hoursUntil = (day: Day): number => (day < today ? 0 : (sums[Math.min(day - today, sums.length - 1)] ?? 0));
  const move = whatWillNotFit(loads, hoursUntil).map(({ load, alone }) => ({
    ...foundOf(load.row),
    due: load.row.task.due?.from ?? load.due,
    minutes: load.minutes,
    alone,
  }));
  return { days, move };
}

/** One's own open tasks that are begun or to be done, take time and are due; a step counts with its task, where that is one too. */
function loadsOf(library: Library): (DueLoad & { row: Row })[] {
  const { today } = library;
  const me = library.me === null ? null : foldName(library.me);
  const text = '(todo or underway) and with due\norder by path\nsteps apart\nincluding resting';
  const rows = library.ask(text).answer.groups.flatMap((group) => group.rows.map(({ row }) => row));
  const found = new Map<Row, DueLoad & { row: Row }>();
  for (const row of rows) {
    const { due, owner, priority } = row.task;
    const minutes = lengthOfRow(row);
    if (!due || !minutes || row.echo !== null || (owner !== null && foldName(owner) !== me)) continue;
    found.set(row, { row, due: Math.max(today, due.from), minutes, from: Math.max(today, row.back ?? today), priority });
  }
  return [...found.values()].filter(({ row }) => {
    for (let up = row.parent; up; up = up.parent) if (found.has(up)) return false;
    return true;
  });
}
