import { type Day, isoDay, isoWeekName, isoWeekOf, mondayOfWeek, readIsoDay, startOfWeek, weekdayOf } from '../../../core/calendar/day';

/** The day on which the demo's notes were written. */
export const DEMO_DAY: Day = readIsoDay('2026-11-23') ?? 0;

const ISO = /\b(\d{4}-\d{2}-\d{2})\b/g;
/** A month stands only as a plan; it moves to the month that its middle comes to lie in. */
const ISO_MONTH = /\bplan (\d{4}-\d{2})(?=[;}])/g;
const ISO_WEEK = /\b(\d{4})-W(\d{2})\b/g;

/**
 * Moves every ISO date of a demo text as far from today as it was from the demo's day, so that it is alive on any day: working days
 * by working days, and weekends to weekends. Lines that repeat on weekdays move by whole weeks, so that their dates stay on their weekday.
 */
export function shiftDemo(text: string, today: Day): string {
  const days = today - DEMO_DAY;
  const weeks = 7 * Math.round(days / 7);
  const repeats = /\bevery [^;}]*(?:weekday|week|mon|tue|wed|thu|fri)/;
  return text
    .split('\n')
    .map((line) => shiftLine(line, days, repeats.test(line) ? (day) => day + weeks : (day) => shiftedDay(day, today)))
    .join('\n');
}

/** A day of the demo as it is seen from today; the demo's own day is today, also on a weekend. */
function shiftedDay(day: Day, today: Day): Day {
  if (day === DEMO_DAY) return today;
  const later = day > DEMO_DAY;
  const weeks = (today - DEMO_DAY) / 7;
  if (isWeekend(day)) return day + 7 * (later ? Math.ceil(weeks) : Math.floor(weeks));
  return workingDayAt(workingIndex(nearestWorkingDay(today, !later)) + workingIndex(day) - workingIndex(DEMO_DAY));
}

const isWeekend = (day: Day): boolean => weekdayOf(day) > 5;

/** On a weekend what comes counts from the Friday before it, what was from the Monday behind it. */
function nearestWorkingDay(day: Day, behind: boolean): Day {
  return isWeekend(day) ? startOfWeek(day, 1) + (behind ? 7 : 4) : day;
}

/** How many working days lie between a Monday long ago and a working day; `workingDayAt` finds the day again. */
function workingIndex(day: Day): number {
  const monday = startOfWeek(day, 1);
  return ((monday - FIRST_MONDAY) / 7) * 5 + (day - monday);
}

function workingDayAt(index: number): Day {
  return FIRST_MONDAY + 7 * Math.floor(index / 5) + (((index % 5) + 5) % 5);
}

const FIRST_MONDAY = startOfWeek(0, 1);

function shiftLine(line: string, days: number, shifted: (day: Day) => Day): string {
  return line
    .replace(ISO, (written) => {
      const day = readIsoDay(written);
      return day === null ? written : isoDay(shifted(day));
    })
    .replace(ISO_MONTH, (written, month: string) => {
      const middle = readIsoDay(`${month}-15`);
      return middle === null ? written : `plan ${isoDay(middle + days).slice(0, 7)}`;
    })
    .replace(ISO_WEEK, (_, year: string, week: string) =>
      isoWeekName(isoWeekOf(mondayOfWeek({ year: Number(year), week: Number(week) }) + days)),
    );
}
