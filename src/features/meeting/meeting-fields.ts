import { type Day, isoDay } from '../../core/calendar/day';
import { endName, readClock } from '../../core/day/appointments';
import type { MeetingFacts } from '../../core/meeting/meeting-facts';
import { quotedYaml } from '../../core/note/facts/with-fields';

/** What of a meeting is pressed and changed. */
export type MeetingField = 'form' | 'date' | 'time' | 'people' | 'about' | 'series' | 'every' | OwnPart;

/** A key of one's own in its front matter. */
export type OwnPart = `own ${string}`;

/** The key that a part of one's own changes; null for any other part. */
export const ownKeyOf = (field: string): string | null => (field.startsWith('own ') ? field.slice(4) : null);

/** Lines of front matter: names and what stands behind them; null for one that goes. */
type Fields = Record<string, string | null>;

/** Words as front matter bears them: plain where they can be, else in quotes. */
export const yamlWords = (words: string): string =>
  words === ''
    ? ''
    : /^\p{L}[\p{L}\p{N} _]*$/u.test(words) && !/^(?:true|false|null|yes|no|on|off)$/i.test(words)
      ? words
      : quotedYaml(words);

const list = (words: readonly string[]): string | null => (words.length === 0 ? null : `[${words.join(', ')}]`);
const time = (minute: number | null): string | null => (minute === null ? null : quotedYaml(endName(minute)));

/** The times of a meeting as they are typed: `11:30–12:15`, `9.00`. Null for anything else; empty words take them away. */
export function readTimes(words: string): { start: number | null; end: number | null } | null {
  if (words.trim() === '') return { start: null, end: null };
  const clocks = words
    .trim()
    .replace(/\b(\d{1,2})[:.](\d\d)\b/g, (_, hours: string, minutes: string) => `${hours.padStart(2, '0')}:${minutes}`)
    .replace(/\s*[-–]\s*/, '-');
  const read = readClock(clocks);
  return read && read.length === clocks.length ? { start: read.start, end: read.end } : null;
}

/** The lines of front matter by which a meeting says something. */
export const fieldsOf = {
  form: (words: string | null): Fields => ({ form: words && yamlWords(words) }),
  series: (words: string | null): Fields => ({ series: words && yamlWords(words) }),
  every: (words: string | null): Fields => ({ every: words && quotedYaml(words) }),
  date: (day: Day | null): Fields => ({ date: day === null ? null : isoDay(day) }),
  time: ({ start, end }: { start: number | null; end: number | null }): Fields => ({ start: time(start), end: time(end) }),
  people: (people: readonly string[]): Fields => ({ people: list(people.map(yamlWords)) }),
  own: (key: string, words: string): Fields => ({ [key]: words === '' ? '' : yamlWords(words) }),
  about: (titles: readonly string[]): Fields => ({ about: list(titles.map((title) => quotedYaml(`[[${title}]]`))) }),
};

/** A meeting that is made; what it does not say is left out. */
export interface MeetingToMake extends Partial<Omit<MeetingFacts, 'date' | 'every' | 'problems'>> {
  /** Null for the title that form and people give. */
  title: string | null;
  date: Day;
  /** The template from which it is made; when left out, that of its form. */
  template?: string;
  /** Answers to what its template asks. */
  answers?: ReadonlyMap<string, string>;
}

/** The front matter of a meeting that is made. */
export function fieldsOfMeeting({
  title,
  date,
  start = null,
  end = null,
  people = [],
  about = [],
  form = null,
  series = null,
}: MeetingToMake & { title: string }): Fields {
  const said = {
    kind: 'meeting',
    ...fieldsOf.date(date),
    ...fieldsOf.time({ start, end }),
    ...fieldsOf.people(people),
    ...fieldsOf.about(about),
    ...fieldsOf.form(form),
    ...fieldsOf.series(series),
    title: JSON.stringify(title),
  };
  return Object.fromEntries(Object.entries(said).filter(([, words]) => words !== null));
}
