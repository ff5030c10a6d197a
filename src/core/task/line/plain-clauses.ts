import { type Day, dayFrom, daysInMonth } from '../../calendar/day';
import { readDuration } from '../../calendar/duration';
import { isSoundRepeat } from '../../calendar/repeat/repeat-phrase';
import type { Span } from '../../calendar/span';
import type { ReadingSettings, Task } from './task-line';

const SPACE = 32;
const COLON = 58;
const DASH = 45;
const SEMICOLON = 59;

/**
 * Reads the clauses between two braces straight into a task when each is plain: lower case, single spaces, a day or a
 * day and time, nothing twice. It gives false at the first thing that is not, and leaves that to the patient reader of
 * `tail.ts`; a property test holds the two equal. Reading a library spends much of its time here.
 */
export function readPlainClauses(task: Task, text: string, from: number, to: number, settings: ReadingSettings): boolean {
  let seen = 0;
  for (let at = from; ; at++) {
    at = afterSpaces(text, at, to);
    const clause = at < to ? clauseAt(text, at) : 0;
    if (clause === 0 || (seen & clause) !== 0) return false;
    seen |= clause;
    const end = readClause(task, clause, text, at, to, settings);
    if (end === -1) return false;
    at = afterSpaces(text, end, to);
    if (at === to) return true;
    if (text.charCodeAt(at) !== SEMICOLON) return false;
  }
}

function afterSpaces(text: string, from: number, to: number): number {
  let at = from;
  while (at < to && text.charCodeAt(at) === SPACE) at++;
  return at;
}

const DUE = 1;
const PLAN = 2;
const START = 4;
const EVERY = 8;
const TAKES = 16;
const TOP = 32;
const HIGH = 64;
const LOW = 128;
const MADE = 256;
const DONE = 512;
const CANCELLED = 1024;
const SINCE = 2048;
const KEY = 4096;
const UNTIL = 8192;
const LAPSES = 16384;
/** Of the three only one may stand in a tail. */
const PRIORITY = TOP | HIGH | LOW;

/** The clause that begins at a place, by its first word; 0 when it is none that is read here. A priority has the bits of all three. */
function clauseAt(text: string, at: number): number {
  switch (text.charCodeAt(at)) {
    case 100: // d
      return text.startsWith('due ', at) ? DUE : text.startsWith('done ', at) ? DONE : 0;
    case 112: // p
      return text.startsWith('plan ', at) ? PLAN : 0;
    case 115: // s
      return text.startsWith('start ', at) ? START : text.startsWith('since ', at) ? SINCE : 0;
    case 116: // t
      return text.startsWith('takes ', at) ? TAKES : text.startsWith('top', at) ? PRIORITY : 0;
    case 104: // h
      return text.startsWith('high', at) ? PRIORITY : 0;
    case 108: // l
      return text.startsWith('low', at) ? PRIORITY : text.startsWith('lapses ', at) ? LAPSES : 0;
    case 101: // e
      return text.startsWith('every ', at) ? EVERY : 0;
    case 109: // m
      return text.startsWith('made ', at) ? MADE : 0;
    case 99: // c
      return text.startsWith('cancelled ', at) ? CANCELLED : 0;
    case 107: // k
      return text.startsWith('key', at) ? KEY : 0;
    case 117: // u
      return text.startsWith('until ', at) ? UNTIL : 0;
  }
  return 0;
}

/** Says a clause; gives where it ends, and -1 when it is not plain. */
function readClause(task: Task, clause: number, text: string, at: number, to: number, settings: ReadingSettings): number {
  switch (clause) {
    case DUE:
      return endOfMoment((task.due = momentAt(text, at + 4, to)), at + 4);
    case PLAN:
      return endOfMoment((task.plan = momentAt(text, at + 5, to)), at + 5);
    case DONE:
      return endOfMoment((task.done = momentAt(text, at + 5, to)), at + 5);
    case MADE:
      return sayMoment(task, 'made', text, at + 5, to);
    case SINCE:
      return sayMoment(task, 'since', text, at + 6, to);
    case CANCELLED:
      return sayMoment(task, 'cancelled', text, at + 10, to);
    case START:
      task.start = dayAt(text, at + 6, to);
      return task.start === null ? -1 : at + 16;
    case UNTIL:
      return sayDay(task, 'until', text, at + 6, to);
    case LAPSES:
      return sayDay(task, 'lapses', text, at + 7, to);
    case TAKES:
      return readTakes(task, text, at + 6, to, settings);
    case EVERY: {
      const end = endOfValue(text, at + 6, to);
      const phrase = text.slice(at + 6, end);
      if (!isSoundRepeat(phrase)) return -1;
      task.say('every', phrase);
      return end;
    }
    case KEY:
      task.say('key', true);
      return at + 3;
    default: {
      const first = text.charCodeAt(at);
      task.priority = first === 116 ? 'top' : first === 104 ? 'high' : 'low';
      return first === 104 ? at + 4 : at + 3;
    }
  }
}

function endOfMoment(span: Span | null, from: number): number {
  if (span === null) return -1;
  return from + (span.minute === null ? 10 : 16);
}

function sayMoment(task: Task, name: 'made' | 'since' | 'cancelled', text: string, from: number, to: number): number {
  const span = momentAt(text, from, to);
  if (span) task.say(name, span);
  return endOfMoment(span, from);
}

function sayDay(task: Task, name: 'until' | 'lapses', text: string, from: number, to: number): number {
  const day = dayAt(text, from, to);
  if (day === null) return -1;
  task.say(name, day);
  return from + 10;
}

/** Where a value ends: before the next semicolon, without the spaces there. */
function endOfValue(text: string, from: number, to: number): number {
  let end = from;
  while (end < to && text.charCodeAt(end) !== SEMICOLON) end++;
  while (end > from && text.charCodeAt(end - 1) === SPACE) end--;
  return end;
}

function readTakes(task: Task, text: string, from: number, to: number, settings: ReadingSettings): number {
  const end = endOfValue(text, from, to);
  task.takes = readDuration(text.slice(from, end), settings.workingDay);
  return task.takes === null ? -1 : end;
}

/** `2026-11-27`, or `2026-11-27 15:00`; null for anything else. */
function momentAt(text: string, from: number, to: number): Span | null {
  const day = dayAt(text, from, to);
  if (day === null) return null;
  if (from + 16 > to || text.charCodeAt(from + 10) !== SPACE || text.charCodeAt(from + 13) !== COLON)
    return { from: day, to: day, minute: null };
  const hour = twoDigits(text, from + 11);
  const minute = twoDigits(text, from + 14);
  return hour < 24 && minute < 60 && hour >= 0 && minute >= 0 ? { from: day, to: day, minute: hour * 60 + minute } : null;
}

/** First days of months by year × 12 + month: dates of a library lie in few of them. */
const firstDays = new Map<number, Day>();

function dayAt(text: string, from: number, to: number): Day | null {
  if (from + 10 > to || text.charCodeAt(from + 4) !== DASH || text.charCodeAt(from + 7) !== DASH) return null;
  const century = twoDigits(text, from);
  const years = twoDigits(text, from + 2);
  const month = twoDigits(text, from + 5);
  const day = twoDigits(text, from + 8);
  if (century < 0 || years < 0 || month < 1 || month > 12 || day < 1) return null;
  const year = century * 100 + years;
  if (year < 1 || day > daysInMonth(year, month)) return null;
  const key = year * 12 + month;
  let first = firstDays.get(key);
  if (first === undefined) {
    if (firstDays.size > 5000) firstDays.clear();
    first = dayFrom({ year, month, day: 1 });
    firstDays.set(key, first);
  }
  return first + day - 1;
}

/** A number of two digits; negative when one is none. */
function twoDigits(text: string, at: number): number {
  const tens = text.charCodeAt(at) - 48;
  const ones = text.charCodeAt(at + 1) - 48;
  return tens >= 0 && tens <= 9 && ones >= 0 && ones <= 9 ? tens * 10 + ones : -1;
}
