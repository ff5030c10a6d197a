import type { Day } from '../calendar/day';
import { readDuration } from '../calendar/duration';
import { readMoment, readTime } from '../calendar/span';
import { type FrontMatter, fieldWords } from '../note/facts/front-matter';
import type { Moment } from '../task/acts/action-context';

/** What the front matter of a review says; null for what it does not say. */
export interface ReviewFacts {
  date: Day | null;
  /** When it was begun and finished. */
  start: Moment | null;
  end: Moment | null;
  /** Minutes of all pauses. */
  pauses: number;
  /** Minutes that it took without them; null while it is not finished. */
  minutes: number | null;
}

/** Minutes of a day. */
const DAY = 1440;

/**
 * Reads when a review was begun and finished. A bare time is one of its date; an end before the start is on the next day.
 *
 * @example reviewFacts({ start: '2026-11-27 15:00', end: '2026-11-27 15:40', pauses: '12m', … }).minutes // 28
 */
export function reviewFacts({ date, fields }: Pick<FrontMatter, 'date' | 'fields'>): ReviewFacts {
  const start = momentOf(fieldWords(fields['start']), date);
  let end = momentOf(fieldWords(fields['end']), start?.day ?? date);
  const isTimeOnly = readTime(fieldWords(fields['end']) ?? '') !== null;
  if (start && end && isTimeOnly && between(start, end) < 0) end = { ...end, day: end.day + 1 };
  const pauses = pausesOf(fields['pauses']);
  const span = start && end ? between(start, end) : null;
  return { date, start, end, pauses, minutes: span === null || span < 0 ? null : Math.max(0, span - pauses) };
}

/** Minutes from one moment to another. */
export const between = (from: Moment, to: Moment): number => (to.day - from.day) * DAY + (to.minute ?? 0) - (from.minute ?? 0);

function momentOf(words: string | null, date: Day | null): Moment | null {
  if (words === null) return null;
  const moment = readMoment(words.replace('T', ' ').slice(0, 16));
  if (moment && moment.minute !== null) return { day: moment.from, minute: moment.minute };
  const minute = readTime(words);
  return minute === null || date === null ? null : { day: date, minute };
}

/** One length, or a list of them; what cannot be read counts nothing. */
function pausesOf(value: unknown): number {
  const all: unknown[] = Array.isArray(value) ? value : [value];
  return all.flatMap((one) => (fieldWords(one) ?? '').split(/[,+]/)).reduce((sum, words) => sum + (readDuration(words.trim()) ?? 0), 0);
}
