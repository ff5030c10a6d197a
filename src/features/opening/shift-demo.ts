import { type Day, isoDay, isoWeekName, isoWeekOf, mondayOfWeek, readIsoDay } from '../../core/calendar/day';

/** The day on which the demo's notes were written. */
export const DEMO_DAY: Day = readIsoDay('2026-11-23') ?? 0;

const ISO = /\b(\d{4}-\d{2}-\d{2})\b/g;
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
    .replace(ISO_WEEK, (_, year: string, week: string) =>
      isoWeekName(isoWeekOf(mondayOfWeek({ year: Number(year), week: Number(week) }) + days)),
    );
}
