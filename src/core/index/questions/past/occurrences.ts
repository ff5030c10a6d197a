import type { Day } from '../../../calendar/day';
import { datesAfter } from '../../../calendar/repeat/repeat-dates';
import { readRepeat } from '../../../calendar/repeat/repeat-phrase';
import { dayOf, type Task } from '../../../task/line/task';
import type { Library } from '../../library';
import { type FoundTask, foundOf } from '../of-a-task/found-task';

/** On which days of a range open repeats fall, as if each were finished on its day; days without any are left out. */
export function occurrencesIn(library: Library, from: Day, to: Day): { day: Day; tasks: FoundTask[] }[] {
  const days = new Map<Day, FoundTask[]>();
  for (const group of library.ask('open and repeats\nsteps apart\nincluding resting').answer.groups)
    for (const { row } of group.rows) {
      const found = foundOf(row);
      for (const day of daysOf(row.task, from, to)) {
        const there = days.get(day);
        if (there) there.push(found);
        else days.set(day, [found]);
      }
    }
  return [...days].sort(([a], [b]) => a - b).map(([day, tasks]) => ({ day, tasks }));
}

/** The days of a repeat in a range: its present one, and those of its pattern that follow. */
function daysOf(task: Pick<Task, 'due' | 'plan' | 'every' | 'until'>, from: Day, to: Day): Day[] {
  const present = task.due?.from ?? dayOf(task);
  const read = task.every === null ? null : readRepeat(task.every);
  if (present === null || present > to || !read) return [];
  const until = Math.min(to, task.until ?? to, read.until ?? to);
  // After the day it is done nobody knows the next.
  const most = read.afterDone ? 0 : to - present;
  return [present, ...datesAfter({ ...read, until }, present, most)].filter((day) => day >= from && day <= to);
}
