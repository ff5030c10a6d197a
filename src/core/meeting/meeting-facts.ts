import type { Day } from '../calendar/day';
import { readRepeat } from '../calendar/repeat/repeat-phrase';
import { readTime, timeName } from '../calendar/span';
import { endName, readEnd } from '../day/appointments';
import { type FrontMatter, fieldWords } from '../note/facts/front-matter';

/** What the front matter of a meeting says; null and empty for what it does not say. */
export interface MeetingFacts {
  date: Day | null;
  /** Minutes after midnight. */
  start: number | null;
  /** Minutes after midnight of its day, more than 1440 on the next one. */
  end: number | null;
  /** Handles, as written. */
  people: readonly string[];
  /** Titles of what it is about. */
  about: readonly string[];
  form: string | null;
  series: string | null;
  /** The rule of its series, as a repeat says it. */
  every: string | null;
  /** What of it cannot be read, in plain words. */
  problems: readonly string[];
}

/**
 * Reads what a meeting says of itself.
 *
 * @example meetingFacts(readFrame('---\nkind: meeting\nstart: 09:30\n---\n').front).start // 570
 */
export function meetingFacts({ date, people, about, fields }: FrontMatter): MeetingFacts {
  const said = (key: string): string | null => fieldWords(fields[key]);
  const [from, until, every] = [said('start'), said('end'), said('every')];
  const start = from === null ? null : readTime(from);
  const end = until === null || start === null ? null : readEnd(until, start);
  const problems = [
    ...(fields['date'] !== undefined && date === null ? ['Its date is no day such as 2026-11-23.'] : []),
    ...(from !== null && start === null ? [`“${from}” is no time such as 09:30.`] : []),
    ...(until !== null && start !== null && end === null ? [`“${until}” is no time such as 10:15.`] : []),
    ...(every !== null && readRepeat(every) === null ? [`“${every}” is no rule such as “every mon”, so the next day is picked.`] : []),
  ];
  return { date, start, end, people, about, form: said('form'), series: said('series'), every, problems };
}

/** From when to when, as people write it; empty where it says no start. */
export function timesName({ start, end }: Pick<MeetingFacts, 'start' | 'end'>): string {
  if (start === null) return '';
  return end === null ? timeName(start) : `${timeName(start)}–${endName(end)}`;
}
