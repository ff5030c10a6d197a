import { type Day, addMonths } from '../calendar/day';
import type { DayRange } from '../calendar/span';
import { firstDate, datesAfter } from '../calendar/repeat/repeat-dates';
import { readRepeat } from '../calendar/repeat/repeat-phrase';
import { type Repeat, writtenOut } from '../calendar/repeat/repeat';
import type { Task } from '../task/line/task';

type Said = Pick<Task, 'due' | 'plan' | 'every' | 'until' | 'made'>;
type Closed = Pick<Task, 'due' | 'plan' | 'status' | 'done'>;

/** One occurrence of a repeat: done by the end of its day, done later, or not done. */
export interface Occurrence {
  day: Day;
  is: 'kept' | 'later' | 'missed' | 'to come';
}

/**
 * The occurrences of a repeat in a range of days, by its pattern and its closed lines. It begins with the first of which a line, its
 * stamp or its present day tells; one after done has those that were closed, and the present one.
 *
 * @param task the open line
 * @param records the closed lines of its occurrences
 */
export function repeatRecord(task: Said, records: readonly Closed[], { from, to }: DayRange, today: Day): Occurrence[] {
  const present = task.due?.from ?? task.plan?.from ?? null;
  const read = task.every === null ? null : readRepeat(task.every);
  if (!read || present === null) return [];
  const done = new Map<Day, Closed>();
  for (const record of records) {
    const day = record.due?.from ?? record.plan?.from ?? record.done?.from;
    // A skipped occurrence was not planned any more.
    if (day !== undefined) done.set(day, record);
  }
  const days = read.afterDone
    ? [...new Set([...done.keys(), present])].sort((a, b) => a - b)
    : patternDays(read, present, Math.max(from, firstOf(task, done, present)), Math.min(to, task.until ?? to, read.until ?? to));
  return days
    .filter((day) => day >= from && day <= to && done.get(day)?.status !== 'cancelled')
    .map((day): Occurrence => {
      const record = done.get(day);
      const finished = record?.status === 'done' ? (record.done?.to ?? day) : null;
      if (finished !== null) return { day, is: finished <= day ? 'kept' : 'later' };
      return { day, is: day >= today ? 'to come' : 'missed' };
    });
}

/** The first day of which anything tells that the repeat was there. */
const firstOf = ({ made }: Said, done: ReadonlyMap<Day, Closed>, present: Day): Day =>
  Math.min(present, made?.from ?? present, ...done.keys());

/** The days of a pattern in a range, also those before its present one. */
function patternDays(repeat: Repeat, present: Day, from: Day, to: Day): Day[] {
  if (to < from) return [];
  const pattern: Repeat = { ...writtenOut(repeat, present), count: null, until: null };
  // What counts from its present day counts back from it, too; a start that is said is the first.
  const back = repeat.from === null && pattern.from !== null ? { ...pattern, from: earlierStart(pattern, pattern.from, from) } : pattern;
  const first = firstDate(back, from);
  if (first === null || first > to) return [];
  return [first, ...datesAfter(back, first, to - first + 1)].filter((day) => day <= to);
}

/** The start of an interval moved back by whole intervals, to before a day. */
function earlierStart({ unit, interval }: Pick<Repeat, 'unit' | 'interval'>, start: Day, before: Day): Day {
  if (start <= before) return start;
  const months = unit === 'month' ? 1 : unit === 'quarter' ? 3 : unit === 'year' ? 12 : null;
  if (months === null) {
    const days = interval * (unit === 'week' ? 7 : 1);
    return start - Math.ceil((start - before) / days) * days;
  }
  const step = interval * months;
  const away = Math.ceil((start - before) / 28 / step) * step;
  return addMonths(start, -away);
}

/** How many occurrences that were due by now were planned, and how many were kept. */
export function recordShare(record: readonly Occurrence[]): { planned: number; kept: number } {
  const past = record.filter(({ is }) => is !== 'to come');
  return { planned: past.length, kept: past.filter(({ is }) => is === 'kept').length };
}
