import { clockOfLine } from '../day/appointments';
import { readNames } from '../note/names/names';
import { soleLink } from '../note/names/sole-link';
import { readTail } from '../task/line/tail';

/** What an appointment of a journal page says of the meeting that it becomes. */
export interface MeetingOfLine {
  title: string;
  /** Minutes after midnight; an end of the next day is more than 1440. */
  start: number;
  end: number | null;
  people: readonly string[];
  /** Targets of the links in its words. */
  about: readonly string[];
}

/**
 * What the line of an appointment says of a meeting; null for a line without a time or without words, and for one that leads to a meeting
 * already.
 *
 * @example meetingOfLine('- 11:30-12:15 Call with @teo about [[Salt on the Glass]]')?.people // ['teo']
 */
export function meetingOfLine(line: string): MeetingOfLine | null {
  const clock = clockOfLine(line);
  if (!clock) return null;
  const to = readTail(line, clock.from)?.from ?? line.length;
  const words = line.slice(clock.to, to).trim();
  if (soleLink(words) !== null) return null;
  const { people, links } = readNames(line, clock.to, to, 0, null);
  const title = words
    .replace(/\[\[([^\]|]*\|)?([^\]]*)\]\]/g, '$2')
    .replace(/[@#](?=[\p{L}\p{N}_])/gu, '')
    .replace(/[[\]|#/\\]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const { start, end } = clock;
  return title === '' ? null : { title, start, end, people: [...new Set(people)], about: links.map(({ target }) => target) };
}

/** The line of an appointment with a link to its meeting in the place of its words. */
export function linkedToMeeting(line: string, file: string, title: string): string {
  const { from, to } = clockOfLine(line) ?? { from: 0, to: 0 };
  const tail = readTail(line, from);
  return `${line.slice(0, to).trimEnd()} [[${file}${file === title ? '' : `|${title}`}]]${tail ? ` ${line.slice(tail.from)}` : ''}`;
}
