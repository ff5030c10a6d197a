import type { Day } from '../../calendar/day';
import type { Now } from '../../calendar/span';
import { compareMoments, remindersOf } from '../../day/reminders';
import { foldPath } from '../../note/names/path';
import { isOpen } from '../../task/line/status';
import { dayItems } from '../days/day-matter';
import type { Library } from '../library';

/** Something of which somebody is to be reminded. */
export interface Reminder {
  at: Now;
  /** Because its line says so, or because its time comes. */
  why: 'remind' | 'start';
  path: string;
  /** From 0; null for a meeting that is a note. */
  line: number | null;
  text: string;
  /** The line of a task; null for what is none. */
  raw: string | null;
}

/** So many days back what was missed is told. */
const FURTHEST = 14;

/**
 * Everything of which somebody is to be reminded after one moment and not after another, the first one first.
 *
 * @param starts whether what has a time reminds when it begins
 */
export function remindersIn(library: Library, after: Now, until: Now, starts: boolean): Reminder[] {
  const from = after.day < until.day - FURTHEST ? { day: until.day - FURTHEST, minute: 0 } : after;
  const isIn = (at: Now): boolean => compareMoments(at, from) > 0 && compareMoments(at, until) <= 0;
  const found: Reminder[] = [];
  for (const group of library.ask('open and with remind\nsteps apart\nincluding resting').answer.groups)
    for (const { row } of group.rows) {
      const { raw, line, text } = row.task;
      for (const at of remindersOf(row.task).filter(isIn)) found.push({ at, why: 'remind', path: row.head.path, line, text, raw });
    }
  if (starts) for (let day = from.day; day <= until.day; day++) found.push(...startsOn(library, day).filter(({ at }) => isIn(at)));
  return found.sort((a, b) => compareMoments(a.at, b.at) || (a.path < b.path ? -1 : a.path > b.path ? 1 : (a.line ?? -1) - (b.line ?? -1)));
}

function startsOn(library: Library, day: Day): Reminder[] {
  return dayItems(library, day).flatMap(({ kind, path, line, text, start, status }): Reminder[] => {
    if (start === null || (status !== null && (!isOpen(status) || status === 'underway'))) return [];
    const row = kind === 'task' ? library.entries.get(foldPath(path))?.head.rows.find(({ task }) => task.line === line) : null;
    return [{ at: { day, minute: start }, why: 'start', path, line, text, raw: row?.task.raw ?? null }];
  });
}
