import { type Day, isoDay, isoWeekName, isoWeekOf } from '../day';
import { numberFrom } from './names-of-days';
import { readMoment, timeName } from '../span';
import { type SpokenContext, type SpokenDay, contradictionLength, readSpokenDay } from './spoken-day';
import { spokenRepeatLength } from './spoken-repeat';
import { readSpokenTime } from './spoken-time';
import { type SpokenWord, spokenWords } from './spoken-words';

/** What a date is for: a reminder when it was said as a span from now. */
export type DateRole = 'due' | 'plan' | 'start' | 'remind';

/** A date that was understood in what a person typed. Offsets hold every word that belongs to it. */
export interface SpokenDate {
  role: DateRole;
  is: 'day' | 'week' | 'month';
  from: number;
  to: number;
  /** The first day of what was said. */
  day: Day;
  /** Minutes after midnight; null when no time was said. */
  minute: number | null;
}

const ROLES: Record<string, DateRole> = { by: 'due', due: 'due', on: 'plan', plan: 'plan', from: 'start' };
/** Behind these a day belongs to the sentence, not to the task: `the minutes of monday`, `before fri`. */
const BLOCKING = new Set(['before', 'after', 'until', 'till', 'since', 'last', 'previous', 'every', 'each', 'of', 'for']);

export interface SpokenOptions extends SpokenContext {
  /** What a day without a word before it means. */
  bareDay?: 'plan' | 'due';
}

/**
 * Finds the dates in what a person typed; words that are no date are left alone. Each role is taken once, the first
 * time it is said. One rule for each ambiguity:
 *
 * - `fri` is the next Friday, today included; `next fri` that of next week; weeks begin as the settings say.
 * - `sat`, `sun` and months need a number, a time or due, plan, by, on, from beside them; a weekday that contradicts its
 *   date, and a day that does not exist, are not understood.
 * - A day without a year is the next such day; `12.11.2026` is day, month, year; dates with slashes are none.
 * - A bare day is a plan, and a second one due; where the settings make a bare day due, a second one stays words.
 * - `by` a week or month means its last day, `from` its first; a bare one is a plan.
 * - A time alone is the next such moment; `at 9` is a time only beside a date with nothing behind it.
 *
 * @example readSpokenDates('call lars tomorrow 15:00', { today, firstDayOfWeek: 1 })[0]?.minute // 900
 */
export function readSpokenDates(text: string, options: SpokenOptions): SpokenDate[] {
  const words = spokenWords(text);
  const found: SpokenDate[] = [];
  const roles = new Set<DateRole>();
  for (let at = 0; at < words.length;) {
    // The days of a repeat are no dates of the task.
    const skip = spokenRepeatLength(text, words, at) || contradictionLength(words, at, options);
    if (skip > 0) {
      at += skip;
      continue;
    }
    const here = readAt(words, at, options, roles);
    if (!here || roles.has(here.date.role)) {
      at++;
      continue;
    }
    roles.add(here.date.role);
    found.push(here.date);
    at += here.count;
  }
  return found;
}

interface Found {
  date: SpokenDate;
  count: number;
}

function readAt(words: readonly SpokenWord[], at: number, options: SpokenOptions, taken: ReadonlySet<DateRole>): Found | null {
  const before = words[at - 1];
  if (before && !before.ends && BLOCKING.has(before.word)) return null;
  const span = readSpanFromNow(words, at, options);
  if (span) return span;
  const word = words[at];
  const said = word && !word.ends ? ROLES[word.word] : undefined;
  const place = at + (said === undefined ? 0 : 1);
  const found = readDayAndTime(words, place, options, said !== undefined);
  if (!found) return null;
  const count = found.count + (place - at);
  const role = said ?? bareRole(options.bareDay ?? 'plan', taken);
  return { date: placed(words, at, count, role, { minute: found.minute, day: found.day ?? dayOfTime(found.minute, options) }), count };
}

/** A bare day is the plan; a second one is due. */
function bareRole(bareDay: 'plan' | 'due', taken: ReadonlySet<DateRole>): DateRole {
  return bareDay === 'plan' && taken.has('plan') ? 'due' : bareDay;
}

/** A time alone is the next such moment: today's, unless it is over. */
function dayOfTime(minute: number | null, { today, minute: now }: SpokenOptions): SpokenDay {
  const day = today + Number(minute !== null && (now ?? 0) > minute);
  return { is: 'day', from: day, to: day, count: 0 };
}

interface DayAndTime {
  day: SpokenDay | null;
  minute: number | null;
  count: number;
}

type Placed = Pick<DayAndTime, 'minute'> & { day: SpokenDay };

/** A day with its time behind or before it, or a time alone. */
function readDayAndTime(words: readonly SpokenWord[], at: number, options: SpokenOptions, afterRole: boolean): DayAndTime | null {
  const moment = readMoment(words[at]?.word.toUpperCase() ?? '');
  if (moment?.minute != null) return { day: { is: 'day', from: moment.from, to: moment.to, count: 1 }, minute: moment.minute, count: 1 };
  const day = readSpokenDay(words, at, options, afterRole);
  if (day) {
    const time = day.is === 'day' && !words[at + day.count - 1]?.ends ? readSpokenTime(words, at + day.count, true) : null;
    return { day, minute: time?.minute ?? null, count: day.count + (time?.count ?? 0) };
  }
  const time = readSpokenTime(words, at, false) ?? bareHourBeforeDay(words, at, options);
  if (!time) return null;
  const behind = words[at + time.count - 1]?.ends ? null : dayBehindTime(words, at + time.count, options);
  return { day: behind?.is === 'day' ? behind : null, minute: time.minute, count: time.count + (behind?.is === 'day' ? behind.count : 0) };
}

/** `at 9 tomorrow`: the day behind it makes the bare hour a time. */
function bareHourBeforeDay(words: readonly SpokenWord[], at: number, options: SpokenOptions): { count: number; minute: number } | null {
  const hour = words[at]?.word === 'at' ? words[at + 1] : undefined;
  if (!hour || hour.ends || !/^(?:1?\d|2[0-3])$/.test(hour.word)) return null;
  return dayBehindTime(words, at + 2, options)?.is === 'day' ? { count: 2, minute: Number(hour.word) * 60 } : null;
}

/** `15:00 on fri` is one date: its `on` belongs to it. */
function dayBehindTime(words: readonly SpokenWord[], at: number, options: SpokenOptions): SpokenDay | null {
  const on = words[at]?.word === 'on' ? 1 : 0;
  const day = readSpokenDay(words, at + on, options, on === 1);
  return day && { ...day, count: day.count + on };
}

function placed(words: readonly SpokenWord[], at: number, count: number, role: DateRole, { day, minute }: Placed): SpokenDate {
  const from = words[at]?.from ?? 0;
  const to = words[at + count - 1]?.to ?? from;
  // Only a plan can be a week or a month.
  if (day.is !== 'day' && role === 'due') return { role, is: 'day', from, to, day: day.to, minute };
  return { role, is: role === 'plan' ? day.is : 'day', from, to, day: day.from, minute };
}

/** `in one hour`, `in 30 min`: a moment from now. */
function readSpanFromNow(words: readonly SpokenWord[], at: number, options: SpokenOptions): Found | null {
  const now = options.minute;
  if (now === null || now === undefined || words[at]?.word !== 'in') return null;
  const together = /^(\d{1,3})(m|min|h)$/.exec(words[at + 1]?.word ?? '');
  const count = together ? Number(together[1]) : numberFrom(words[at + 1]?.word ?? '');
  const unit = together?.[2] ?? words[at + 2]?.word ?? '';
  const minutes = /^h(?:our)?s?$/.test(unit) ? 60 : /^m(?:in(?:ute)?s?)?$/.test(unit) ? 1 : 0;
  if (count === null || minutes === 0) return null;
  const moment = now + count * minutes;
  const taken = together ? 2 : 3;
  const day = { is: 'day' as const, from: options.today + Math.floor(moment / 1440), to: 0, count: taken };
  return { date: placed(words, at, taken, 'remind', { day, minute: moment % 1440 }), count: taken };
}

/** A date as a tail stores it: `2026-11-27 15:00`, `2026-W48`, `2026-12`. */
export function storedDate({ is, day, minute }: Pick<SpokenDate, 'is' | 'day' | 'minute'>): string {
  if (is === 'week') return isoWeekName(isoWeekOf(day));
  if (is === 'month') return isoDay(day).slice(0, 7);
  return minute === null ? isoDay(day) : `${isoDay(day)} ${timeName(minute)}`;
}

/** What was typed without the words that dates were read from. */
export function wordsWithout(text: string, parts: readonly { from: number; to: number }[]): string {
  let rest = '';
  let at = 0;
  for (const { from, to } of parts) {
    rest += `${text.slice(at, from).trimEnd()} `;
    // A comma or colon behind a date went with it.
    at = to + (/^\s*[,;:]/.exec(text.slice(to))?.[0].length ?? 0);
  }
  return (rest + text.slice(at)).replace(/[ \t]{2,}/g, ' ').trim();
}
