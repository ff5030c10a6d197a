import type { Day } from '../../calendar/day';
import type { Row } from '../../gather/rows/row';
import type { DaySettings } from '../day-settings';
import { sharesOf } from './planned';

/** How the plan of a day went. */
export interface KeptDay {
  day: Day;
  /** What was planned for it, what was pushed from it included; cancelled tasks and missed occurrences of repeats are not. */
  planned: number;
  /** How many of these were done by its end. */
  kept: number;
  /** Why it counts in no share; null when it counts. */
  excused: string | null;
}

/** What decides how days went. */
export interface KeptMatter {
  /** Tasks among which are all that are or were planned for one of the days. */
  rows: Iterable<Row>;
  today: Day;
  /** Why a day counts in no share. */
  excuseOf: (day: Day) => string | null;
}

/** How the plans of some days went, from the first to the last, both included. */
export function keptDays(from: Day, to: Day, { rows, today, excuseOf }: KeptMatter, settings: DaySettings): KeptDay[] {
  const days: KeptDay[] = [];
  for (let day = from; day <= to; day++) days.push({ day, planned: 0, kept: 0, excused: excuseOf(day) });
  for (const { what, task, head, echo, parent } of rows) {
    if (what !== 'task' || echo !== null || head.kind === 'archive') continue;
    for (const { day, kept, occurrence } of sharesOf(task, { journal: head.journal, isStep: parent !== null }, settings)) {
      const found = days[day - from];
      if (!found || (occurrence && day < today)) continue;
      found.planned++;
      if (kept) found.kept++;
    }
  }
  return days;
}
