import type { Day } from '../../calendar/day';
import type { DayFigures } from '../../day/plan/day-figures';
import { excuseOf, startsOf } from './day-matter';
import { takenBy } from '../../day/hours/taken';
import { hoursOf } from '../../day/hours/hours';
import { isOpen } from '../../task/line/status';
import type { Library } from '../library';

/** The figures of a day; null where there is nothing to say. */
export function figuresOf(library: Library, day: Day): DayFigures | null {
  const tally = library.total.days.get(day);
  const hasTimes = library.days.timedOn(day).length > 0;
  if (!tally && !hasTimes) return null;
  const { due = 0, minutes = 0, openEnds = 0, planned = 0, kept = 0, occurrences = 0 } = tally ?? {};
  const starts = hasTimes || openEnds > 0 ? startsOf(library, day) : [];
  // What says no length has that which the other starts leave it; what says one is in the tally.
  const open = starts.filter(({ saysLength, item }) => !saysLength && item.status !== null && isOpen(item.status));
  const taken = takenBy(starts.map(({ item }) => item));
  return {
    due,
    minutes: open.reduce((sum, { item }) => sum + (item.minutes ?? 0), minutes),
    hours: taken.length === 0 ? null : hoursOf(day, taken, library.daySettings),
    planned: day < library.today ? planned - occurrences : planned,
    kept,
    excused: excuseOf(library, day),
  };
}
