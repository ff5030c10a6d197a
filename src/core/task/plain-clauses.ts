import { type Day, dayFrom, daysInMonth } from '../calendar/day';
import { readDuration } from '../calendar/duration';
import { isSoundRepeat } from '../calendar/repeat-phrase';
import type { Span } from '../calendar/span';
import type { ReadingSettings, Task } from './task-line';

const SPACE = 32;
const SEMICOLON = 59;

/**
 * Reads the clauses between two braces straight into a task when each is plain: lower case, single spaces, a day or a
 * day and time, nothing twice. It gives false at the first thing that is not, and leaves that to the patient reader of
 * `tail.ts`; a property test holds the two equal. Reading a library spends most of its time here.
 */
export function readPlainClauses(task: Task, text: string, from: number, to: number, settings: ReadingSettings): boolean {
  let seen = 0;
  let at = from;
  while (at < to) {
    while (at < to && text.charCodeAt(at) === SPACE) at++;
    let next = at;
    while (next < to && text.charCodeAt(next) !== SEMICOLON) next++;
    let end = next;
    while (end > at && text.charCodeAt(end - 1) === SPACE) end--;
    const bit = end > at ? readPlainClause(task, text, at, end, settings) : 0;
    if (bit === 0 || (seen & bit) !== 0) return false;
    seen |= bit;
    at = next + 1;
  }
  return seen !== 0 && text.charCodeAt(to - 1) !== SEMICOLON;
}

const DUE = 1;
const PLAN = 2;
const START = 4;
const EVERY = 8;
const TAKES = 16;
const PRIORITY = 32;
const MADE = 64;
const DONE = 128;
const CANCELLED = 256;
const SINCE = 512;
const KEY = 1024;
const UNTIL = 2048;

/** The bit of the clause that was read; 0 when it is not plain. */
function readPlainClause(task: Task, text: string, from: number, to: number, settings: ReadingSettings): number {
  switch (text.charCodeAt(from)) {
    case 100: // d
      if (text.startsWith('due ', from)) {
        task.due = plainMoment(text, from + 4, to);
        return task.due ? DUE : 0;
      }
      if (!text.startsWith('done ', from)) return 0;
      task.done = plainMoment(text, from + 5, to);
      return task.done ? DONE : 0;
    case 112: // p
      if (!text.startsWith('plan ', from)) return 0;
      task.plan = plainMoment(text, from + 5, to);
      return task.plan ? PLAN : 0;
    case 115: // s
      if (text.startsWith('start ', from)) {
        task.start = plainDay(text, from + 6, to);
        return task.start === null ? 0 : START;
      }
      if (text.startsWith('since ', from)) return say(task, 'since', plainMoment(text, from + 6, to)) ? SINCE : 0;
      return 0;
    case 116: // t
      if (to - from === 3 && text.startsWith('top', from)) {
        task.priority = 'top';
        return PRIORITY;
      }
      if (!text.startsWith('takes ', from)) return 0;
      task.takes = readDuration(text.slice(from + 6, to), settings.workingDay);
      return task.takes === null ? 0 : TAKES;
    case 104: // h
      if (to - from !== 4 || !text.startsWith('high', from)) return 0;
      task.priority = 'high';
      return PRIORITY;
    case 108: // l
      if (to - from !== 3 || !text.startsWith('low', from)) return 0;
      task.priority = 'low';
      return PRIORITY;
    case 101: {
      // e
      if (!text.startsWith('every ', from)) return 0;
      const phrase = text.slice(from + 6, to);
      if (!isSoundRepeat(phrase)) return 0;
      task.say('every', phrase);
      return EVERY;
    }
    case 109: // m
      return text.startsWith('made ', from) && say(task, 'made', plainMoment(text, from + 5, to)) ? MADE : 0;
    case 99: // c
      return text.startsWith('cancelled ', from) && say(task, 'cancelled', plainMoment(text, from + 10, to)) ? CANCELLED : 0;
    case 107: // k
      if (to - from !== 3 || !text.startsWith('key', from)) return 0;
      task.say('key', true);
      return KEY;
    case 117: // u
      return text.startsWith('until ', from) && say(task, 'until', plainDay(text, from + 6, to)) ? UNTIL : 0;
  }
  return 0;
}

/** Says a clause when it could be read. */
function say<K extends 'since' | 'made' | 'cancelled' | 'until'>(task: Task, name: K, value: Task[K]): boolean {
  if (value === null) return false;
  task.say(name, value);
  return true;
}

/** `2026-11-27` or `2026-11-27 15:00`, and nothing else up to `to`. */
function plainMoment(text: string, from: number, to: number): Span | null {
  const day = plainDay(text, from, from + 10);
  if (day === null) return null;
  if (to === from + 10) return { from: day, to: day, minute: null };
  if (to !== from + 16 || text.charCodeAt(from + 10) !== SPACE || text.charCodeAt(from + 13) !== 58) return null;
  const hour = digits(text, from + 11, 2);
  const minute = digits(text, from + 14, 2);
  return hour < 24 && minute < 60 && hour >= 0 && minute >= 0 ? { from: day, to: day, minute: hour * 60 + minute } : null;
}

/** First days of months by year × 12 + month: dates of a library lie in few of them. */
const firstDays = new Map<number, Day>();

function plainDay(text: string, from: number, to: number): Day | null {
  if (to !== from + 10 || text.charCodeAt(from + 4) !== 45 || text.charCodeAt(from + 7) !== 45) return null;
  const year = digits(text, from, 4);
  const month = digits(text, from + 5, 2);
  const day = digits(text, from + 8, 2);
  if (year < 1 || month < 1 || month > 12 || day < 1 || day > daysInMonth(year, month)) return null;
  const key = year * 12 + month;
  let first = firstDays.get(key);
  if (first === undefined) {
    if (firstDays.size > 5000) firstDays.clear();
    first = dayFrom({ year, month, day: 1 });
    firstDays.set(key, first);
  }
  return first + day - 1;
}

/** A number of so many digits; negative when one is none. */
function digits(text: string, from: number, count: number): number {
  let value = 0;
  for (let at = from; at < from + count; at++) {
    const digit = text.charCodeAt(at) - 48;
    if (!(digit >= 0 && digit <= 9)) return -1;
    value = value * 10 + digit;
  }
  return value;
}
