import { type Day, type Weekday, endOfMonth, startOfMonth, startOfWeek } from '../../calendar/day';
import type { DayRange } from '../../calendar/span';

/** What a sheet of days must know of a row. */
export interface SheetRow {
  due: DayRange | null;
  plan: DayRange | null;
}

/** Something that stands on a sheet: when a row is due, or planned for; both where that is one day. */
export interface SheetEntry<Row> {
  row: Row;
  is: 'due' | 'plan' | 'both';
  from: Day;
  to: Day;
}

/** A part of a plan of several days that lies in one week. */
export interface SheetBar<Row> {
  entry: SheetEntry<Row>;
  from: Day;
  to: Day;
  /** Which of the lines above the days it lies in, from 0; bars of one line do not overlap. */
  lane: number;
}

export interface SheetWeek<Row> {
  first: Day;
  bars: SheetBar<Row>[];
  /** Seven, each with what stands on it alone, in the order of the rows. */
  days: { day: Day; entries: SheetEntry<Row>[] }[];
}

/** The days that a month shows: whole weeks. */
export function monthRange(day: Day, firstDayOfWeek: Weekday): DayRange {
  return { from: startOfWeek(startOfMonth(day), firstDayOfWeek), to: startOfWeek(endOfMonth(day), firstDayOfWeek) + 6 };
}

/**
 * Rows laid out on the days of whole weeks: what is due or planned on one day stands on it, a plan of several days is a bar over them.
 *
 * @param rows in the order in which they stand on a day
 */
export function sheetOf<Row extends SheetRow>(rows: readonly Row[], { from, to }: DayRange): SheetWeek<Row>[] {
  const weeks = Array.from({ length: Math.ceil((to - from + 1) / 7) }, (_, index): SheetWeek<Row> => {
    const first = from + 7 * index;
    return { first, bars: [], days: Array.from({ length: 7 }, (_day, at) => ({ day: first + at, entries: [] })) };
  });
  for (const row of rows) for (const entry of entriesOf(row)) place(weeks, entry, from);
  for (const week of weeks) layBars(week);
  return weeks;
}

function entriesOf<Row extends SheetRow>(row: Row): SheetEntry<Row>[] {
  const { due, plan } = row;
  if (due && plan && plan.from === plan.to && plan.from === due.from) return [{ row, is: 'both', ...daysOf(due) }];
  return [...(plan ? [{ row, is: 'plan' as const, ...daysOf(plan) }] : []), ...(due ? [{ row, is: 'due' as const, ...daysOf(due) }] : [])];
}

const daysOf = ({ from, to }: DayRange): DayRange => ({ from, to });

function place<Row>(weeks: readonly SheetWeek<Row>[], entry: SheetEntry<Row>, start: Day): void {
  const last = start + 7 * weeks.length - 1;
  if (entry.from === entry.to) {
    if (entry.from < start || entry.from > last) return;
    weeks[Math.floor((entry.from - start) / 7)]?.days[(entry.from - start) % 7]?.entries.push(entry);
    return;
  }
  // Only the weeks that are drawn are gone through, however long a plan is.
  const first = Math.max(0, Math.floor((entry.from - start) / 7));
  const end = Math.min(weeks.length - 1, Math.floor((entry.to - start) / 7));
  for (let index = first; index <= end; index++) {
    const week = weeks[index];
    week?.bars.push({ entry, from: Math.max(entry.from, week.first), to: Math.min(entry.to, week.first + 6), lane: 0 });
  }
}

function layBars<Row>(week: SheetWeek<Row>): void {
  week.bars.sort((a, b) => a.from - b.from || b.to - a.to);
  const ends: Day[] = [];
  for (const bar of week.bars) {
    const free = ends.findIndex((end) => end < bar.from);
    bar.lane = free === -1 ? ends.length : free;
    ends[bar.lane] = bar.to;
  }
}
