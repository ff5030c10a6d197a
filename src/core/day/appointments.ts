import type { Day } from '../calendar/day';
import { readTime, timeName } from '../calendar/span';
import { lineText } from '../note/blocks/lines';
import type { Heading, Item } from '../note/blocks/structure';
import { fieldWords } from '../note/facts/front-matter';
import { foldName, readNames } from '../note/names/names';
import type { ReadNote } from '../task/reading/read-note';
import { boxSignAt } from '../task/line/task';
import { readTail } from '../task/line/tail';

/** A line of a day with a clock time and no box. */
export interface Appointment {
  /** From 0. */
  line: number;
  day: Day;
  /** Minutes after midnight. */
  start: number;
  /** Minutes after midnight of its day, more than 1440 on the next one; null when it says no end. */
  end: number | null;
  /** Its words without times and tail. */
  text: string;
  /** Targets of the links in its words, as written. */
  links: readonly string[];
}

/** What a note says about the times of a day. */
export interface NoteTimes {
  appointments: readonly Appointment[];
  /** When it is a meeting: it is one appointment as a whole, as soon as it or a line that links to it says when it begins. */
  meeting: { day: Day; start: number | null; end: number | null } | null;
  /** Why its day counts in no share, in the words of its journal page. */
  excused: string | null;
}

const CLOCK = /^(\d\d:\d\d)(?:[-–](\d\d:\d\d))?(?:\s+|$)/;
const MIDNIGHT = 24 * 60;

/**
 * Reads the times at the start of some words: two digits each, 24 hours, a hyphen or an en dash between. An end before the start is
 * on the next day; `24:00` is only an end.
 *
 * @returns `length` is how many letters they take, with the white space behind; null when the words begin with none
 * @example readClock('23:30-00:15 Night watch') // { start: 1410, end: 1455, length: 12 }
 */
export function readClock(words: string): { start: number; end: number | null; length: number } | null {
  const match = CLOCK.exec(words);
  const start = match && readTime(match[1] ?? '');
  if (!match || start === null) return null;
  if (match[2] === undefined) return { start, end: null, length: match[0].length };
  const end = readEnd(match[2], start);
  return end === null ? null : { start, end, length: match[0].length };
}

/**
 * The line of an appointment with other times; null where it bears none.
 *
 * @param end null says no end; 1440 is written as `24:00`, what is later as a time of the next day
 * @example withClock('- 09:00-10:00 Rounds', 570, 630) // '- 09:30-10:30 Rounds'
 */
export function withClock(line: string, start: number, end: number | null): string | null {
  const clock = clockOfLine(line);
  if (!clock) return null;
  const until = end === null ? '' : `-${endName(end)}`;
  const rest = line.slice(clock.to);
  return `${line.slice(0, clock.from)}${timeName(start)}${until}${rest === '' ? '' : ` ${rest}`}`;
}

/** When something ends, as an appointment says it: `24:00`, or a time of the next day. */
export const endName = (end: number): string => (end === MIDNIGHT ? '24:00' : timeName(end % MIDNIGHT));

/** The times at the beginning of the item of a list, and where they stand, with the white space behind; null where it has none. */
export function clockOfLine(line: string): { start: number; end: number | null; from: number; to: number } | null {
  const from = /^\s*(?:[-*+]|\d{1,9}[.)])\s+/.exec(line)?.[0].length ?? 0;
  const clock = from === 0 ? null : readClock(line.slice(from));
  return clock && { start: clock.start, end: clock.end, from, to: from + clock.length };
}

/** When something ends that begins at a time: an end that is not later is on the next day; `24:00` is only an end. */
export function readEnd(words: string, start: number): number | null {
  const end = words === '24:00' ? MIDNIGHT : readTime(words);
  return end === null ? null : end < start ? end + MIDNIGHT : end;
}

const NO_DAYS: ReadonlySet<string> = new Set(['template', 'slip', 'status', 'archive']);
const UNEXCUSED: ReadonlySet<string> = new Set(['', 'false', 'no']);

/**
 * The appointments of a journal page or of a note with a date, and whether it is a meeting itself. Null, as for most notes, when it
 * says no time and excuses nothing.
 *
 * @param slipHeading the heading under which slips land: what begins with a time there says when it was written
 */
export function timesOf(note: ReadNote, slipHeading: string): NoteTimes | null {
  const { front, kind, journal } = note;
  const day = journal ?? front.date;
  if (day === null || NO_DAYS.has(kind)) return null;
  const appointments = appointmentsOn(note, day, foldName(slipHeading));
  const meeting = kind === 'meeting' ? meetingOn(note, day) : null;
  const excused = kind === 'journal' ? excuseIn(front.fields['excused']) : null;
  return appointments.length === 0 && meeting === null && excused === null ? null : { appointments, meeting, excused };
}

function excuseIn(said: unknown): string | null {
  const words = said === true ? 'excused' : (fieldWords(said)?.trim() ?? '');
  return UNEXCUSED.has(words.toLowerCase()) ? null : words;
}

function meetingOn({ front }: ReadNote, day: Day): NoteTimes['meeting'] {
  const start = readTime(fieldWords(front.fields['start']) ?? '');
  return { day, start, end: start === null ? null : readEnd(fieldWords(front.fields['end']) ?? '', start) };
}

function appointmentsOn(note: ReadNote, day: Day, slipHeading: string): Appointment[] {
  const { lines, structure } = note;
  const landed = linesUnder(note, slipHeading);
  const found: Appointment[] = [];
  for (const item of structure.items) {
    if (item.wordsFrom < 0) continue;
    const at = (lines.starts[item.line] ?? 0) + item.wordsFrom;
    const first = lines.text.charCodeAt(at);
    if (first < 48 || first > 50 || lines.text.charCodeAt(at + 2) !== 58 || landed(item.line) || isQuoted(note, item)) continue;
    const words = lineText(lines, item.line);
    const clock = readClock(words.slice(item.wordsFrom));
    if (!clock || boxSignAt(words, item.wordsFrom) !== null) continue;
    const { start, end, length } = clock;
    const from = item.wordsFrom + length;
    const to = readTail(words, item.wordsFrom)?.from ?? words.length;
    const links = words.includes('[[', from) ? readNames(words, from, to, 0, null).links.map((link) => link.target) : [];
    found.push({ line: item.line, day, start, end, text: words.slice(from, to).trim(), links });
  }
  return found;
}

/** Whether an item stands in a quote: somewhere before its marker, or before that of one around it, is the sign of one. */
function isQuoted({ lines, structure }: ReadNote, item: Item): boolean {
  for (let one: Item | undefined = item; one; one = structure.items[one.parent])
    if (lineText(lines, one.line).slice(0, one.markerFrom).includes('>')) return true;
  return false;
}

/** Which lines stand under a heading of the top level with some folded words, at any depth of headings. */
export function linesUnder({ structure }: ReadNote, folded: string): (line: number) => boolean {
  const ranges = structure.headings.filter((heading) => heading.topLevel && foldName(heading.words.trim()) === folded);
  const parts = ranges.map((heading) => ({ from: heading.lastLine, to: endOfSection(structure.headings, heading) }));
  return (line) => parts.some(({ from, to }) => line > from && line < to);
}

/** The line (from 0) of the heading that ends what stands under another; infinite when none does. */
export function endOfSection(headings: readonly Heading[], { line, level }: Heading): number {
  return headings.find((one) => one.topLevel && one.line > line && one.level <= level)?.line ?? Infinity;
}
