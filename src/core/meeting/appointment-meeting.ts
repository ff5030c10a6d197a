import { timeName } from '../calendar/span';
import { readClock } from '../day/appointments';
import { readNames } from '../note/names/names';
import { readTail } from '../task/line/tail';

/** What an appointment of a journal page says of the meeting that it becomes. */
export interface MeetingOfLine {
  title: string;
  start: string;
  end: string | null;
  people: readonly string[];
  /** Targets of the links in its words. */
  about: readonly string[];
}

const ITEM = /^\s*(?:[-*+]|\d{1,9}[.)])\s+/;

/**
 * What the line of an appointment says of a meeting; null for a line without a time, or without words.
 *
 * @example meetingOfLine('- 11:30-12:15 Call with @teo about [[Salt on the Glass]]')?.people // ['teo']
 */
export function meetingOfLine(line: string): MeetingOfLine | null {
  const item = ITEM.exec(line)?.[0] ?? '';
  const clock = item === '' ? null : readClock(line.slice(item.length));
  if (!clock) return null;
  const from = item.length + clock.length;
  const to = readTail(line, item.length)?.from ?? line.length;
  const { people, links } = readNames(line, from, to, 0, null);
  const title = line
    .slice(from, to)
    .replace(/\[\[([^\]|]*\|)?([^\]]*)\]\]/g, '$2')
    .replace(/[@#](?=[\p{L}\p{N}_])/gu, '')
    .replace(/[[\]|#/\\]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  if (title === '') return null;
  const end = clock.end === null ? null : clock.end === 1440 ? '24:00' : timeName(clock.end % 1440);
  return { title, start: timeName(clock.start), end, people: [...new Set(people)], about: links.map(({ target }) => target) };
}

/** The line of an appointment with a link to its meeting in the place of its words. */
export function linkedToMeeting(line: string, file: string, title: string): string {
  const item = ITEM.exec(line)?.[0] ?? '';
  const clock = readClock(line.slice(item.length));
  const from = item.length + (clock?.length ?? 0);
  const tail = readTail(line, item.length);
  const before = line.slice(0, from).trimEnd();
  return `${before} [[${file}${file === title ? '' : `|${title}`}]]${tail ? ` ${line.slice(tail.from)}` : ''}`;
}
