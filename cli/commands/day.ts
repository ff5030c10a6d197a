import { type Day, isoDay } from '../../src/core/calendar/day';
import { timeName } from '../../src/core/calendar/span';
import type { DayItem } from '../../src/core/day/day-items';
import { keptDays } from '../../src/core/day/plan/kept-days';
import { dayItems, excuseOf } from '../../src/core/index/days/day-matter';
import type { Desk } from '../desk';
import { libraryOf } from '../library-of';
import type { RunnerSettings } from '../settings';

/** Something of a day as the runner prints it: lines from 1, times as `15:00`, null for what is absent. */
export interface PrintedItem {
  note: string;
  line: number | null;
  text: string;
  kind: DayItem['kind'];
  start: string | null;
  /** Of what ends on the next day too. */
  end: string | null;
  minutes: number | null;
  status: string | null;
}

export interface PrintedKept {
  day: string;
  planned: number;
  kept: number;
  excused: string | null;
}

/** `day`: everything of a day, in its order. */
export function day(desk: Desk, settings: RunnerSettings, today: Day): { items: PrintedItem[] } {
  const library = libraryOf(desk, { ...settings, today });
  return { items: dayItems(library, today).map(printedItem) };
}

function printedItem({ path, line, text, kind, start, end, minutes, status }: DayItem): PrintedItem {
  return { note: path, line: line === null ? null : line + 1, text, kind, start: clock(start), end: clock(end), minutes, status };
}

/** The end of a day is `24:00`; what is later is on the next one. */
const clock = (minute: number | null): string | null =>
  minute && minute > 1440 ? timeName(minute - 1440) : minute === null ? null : timeName(minute);

/** `kept`: how the plans of some days went. */
export function kept(
  desk: Desk,
  settings: RunnerSettings,
  { from, to, today }: { from: Day; to: Day; today: Day },
): { days: PrintedKept[] } {
  const library = libraryOf(desk, { ...settings, today });
  const matter = { rows: library.rows(), today, excuseOf: (one: Day) => excuseOf(library, one) };
  const days = keptDays(from, to, matter, library.daySettings);
  return { days: days.map((one) => ({ ...one, day: isoDay(one.day) })) };
}
