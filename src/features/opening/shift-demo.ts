import { type Day, isoDay, isoWeekName, isoWeekOf, mondayOfWeek, readIsoDay } from '../../core/calendar/day';

/** The day on which the demo's notes were written. */
export const DEMO_DAY: Day = readIsoDay('2026-11-23') ?? 0;

const ISO = /\b(\d{4}-\d{2}-\d{2})\b/g;
/** A month stands only as a plan; it moves to the month that its middle comes to lie in. */
const ISO_MONTH = /\bplan (\d{4}-\d{2})(?=[;}])/g;
const ISO_WEEK = /\b(\d{4})-W(\d{2})\b/g;

/**
 * Moves every ISO date of a demo text by the days between the demo's day and today, so that it is alive on any day.
 * Lines that repeat on weekdays move by whole weeks, so that their dates stay on their weekday.
 */
export function shiftDemo(text: string, today: Day): string {
  const days = today - DEMO_DAY;
  return text
    .split('\n')
    .map((line) => shiftLine(line, /\bevery [^;}]*(?:weekday|week|mon|tue|wed|thu|fri)/.test(line) ? 7 * Math.round(days / 7) : days))
    .join('\n');
}

function shiftLine(line: string, days: number): string {
  return line
    .replace(ISO, (written) => {
      const day = readIsoDay(written);
      return day === null ? written : isoDay(day + days);
    })
    .replace(ISO_MONTH, (written, month: string) => {
      const middle = readIsoDay(`${month}-15`);
      return middle === null ? written : `plan ${isoDay(middle + days).slice(0, 7)}`;
    })
    .replace(ISO_WEEK, (_, year: string, week: string) =>
      isoWeekName(isoWeekOf(mondayOfWeek({ year: Number(year), week: Number(week) }) + days)),
    );
}
