import { isoDay, type Day } from '../../core/calendar/day';
import { timeName } from '../../core/calendar/span';
import type { MeetingFacts } from '../../core/meeting/meeting-facts';
import { quotedYaml } from '../../core/note/facts/with-fields';

/** What of a meeting is pressed and changed. */
export type MeetingField = 'form' | 'date' | 'time' | 'people' | 'about' | 'series' | 'every';

/** Words as front matter bears them: plain where they can be, else in quotes. */
const yaml = (words: string): string =>
  /^\p{L}[\p{L}\p{N} _]*$/u.test(words) && !/^(?:true|false|null|yes|no|on|off)$/i.test(words) ? words : quotedYaml(words);

const list = (words: readonly string[]): string | null => (words.length === 0 ? null : `[${words.join(', ')}]`);

/** The times of a meeting as they are typed: `11:30–12:15`, `11:30`. Null for anything else; empty words take them away. */
export function readTimes(words: string): { start: string | null; end: string | null } | null {
  if (words.trim() === '') return { start: null, end: null };
  const match = /^(\d{1,2})[:.](\d\d)(?:\s*[-–]\s*(\d{1,2})[:.](\d\d))?$/.exec(words.trim());
  if (!match) return null;
  const time = (hours: string | undefined, minutes: string | undefined): string | null => {
    if (hours === undefined || minutes === undefined) return null;
    const minute = Number(hours) * 60 + Number(minutes);
    return Number(minutes) < 60 && minute < 1440 ? timeName(minute) : 'wrong';
  };
  const [start, end] = [time(match[1], match[2]), time(match[3], match[4])];
  return start === 'wrong' || end === 'wrong' ? null : { start, end };
}

/** The lines of front matter by which a meeting says something. */
export const fieldsOf = {
  form: (words: string): Record<string, string | null> => ({ form: words === '' ? null : yaml(words) }),
  series: (words: string): Record<string, string | null> => ({ series: words === '' ? null : yaml(words) }),
  every: (words: string): Record<string, string | null> => ({ every: words === '' ? null : quotedYaml(words) }),
  date: (day: Day | null): Record<string, string | null> => ({ date: day === null ? null : isoDay(day) }),
  time: ({ start, end }: { start: string | null; end: string | null }): Record<string, string | null> => ({
    start: start && `"${start}"`,
    end: end && `"${end}"`,
  }),
  people: (people: readonly string[]): Record<string, string | null> => ({ people: list(people.map(yaml)) }),
  about: (titles: readonly string[]): Record<string, string | null> => ({ about: list(titles.map((title) => quotedYaml(`[[${title}]]`))) }),
};

/** The front matter of a meeting that follows another: the same people, subject, form, series and times, on its own day. */
export function fieldsOfNext(facts: MeetingFacts, series: string, date: Day): Record<string, string | null> {
  const { form, people, about, start, end } = facts;
  return {
    kind: 'meeting',
    ...fieldsOf.date(date),
    ...fieldsOf.time({ start: start === null ? null : timeName(start), end: end === null ? null : timeName(end % 1440) }),
    ...fieldsOf.people(people),
    ...fieldsOf.about(about),
    ...(form !== null && fieldsOf.form(form)),
    ...fieldsOf.series(series),
  };
}
