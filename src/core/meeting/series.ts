import type { Day } from '../calendar/day';
import { nextDate } from '../calendar/repeat/repeat-dates';
import { readRepeat } from '../calendar/repeat/repeat-phrase';
import { foldName } from '../note/names/names';
import type { MeetingFacts } from './meeting-facts';

/** A meeting among those of its series. */
export interface SeriesMeeting {
  path: string;
  title: string;
  facts: MeetingFacts;
}

/** The meetings of a series by their days, those without a day last. Names of series are compared folded. */
export function meetingsOfSeries<One extends Pick<SeriesMeeting, 'path' | 'facts'>>(meetings: readonly One[], name: string): One[] {
  const wanted = foldName(name);
  return meetings
    .filter(({ facts }) => facts.series !== null && foldName(facts.series) === wanted)
    .sort(
      (a, b) =>
        (a.facts.date ?? Infinity) - (b.facts.date ?? Infinity) ||
        (a.facts.start ?? 0) - (b.facts.start ?? 0) ||
        (a.path < b.path ? -1 : 1),
    );
}

/** The rule of a series: that of the latest meeting that bears one. */
export function ruleOfSeries(meetings: readonly Pick<SeriesMeeting, 'facts'>[]): string | null {
  return meetings.findLast(({ facts }) => facts.every !== null)?.facts.every ?? null;
}

/**
 * The day of the next meeting of a series, by its rule: the first after its last one. Null where it has no rule, or one that cannot be read.
 *
 * @param meetings in their order
 * @example nextOfSeries(meetings) // Mon 30 Nov, of a series `every: mon` whose last was on Mon 23 Nov
 */
export function nextOfSeries(meetings: readonly Pick<SeriesMeeting, 'facts'>[]): Day | null {
  const rule = ruleOfSeries(meetings);
  const last = meetings.findLast(({ facts }) => facts.date !== null)?.facts.date;
  const repeat = rule === null ? null : readRepeat(rule);
  return repeat && last != null ? nextDate(repeat, last, last) : null;
}
