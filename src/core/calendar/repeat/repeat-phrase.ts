import { type Weekday, hasIsoDayShape, isoDay, readIsoDay } from '../day';
import { monthFrom, numberFrom, ordinalFrom, ordinalName, weekdayFrom } from '../spoken/names-of-days';
import { EMPTY_REPEAT, type Repeat, type RepeatUnit, type WeekdayOfMonth } from './repeat';

const UNITS: Record<string, RepeatUnit> = {
  day: 'day',
  weekday: 'weekday',
  week: 'week',
  month: 'month',
  quarter: 'quarter',
  year: 'year',
};
/** Words that say a unit and its interval at once. */
const WHOLE: Record<string, [RepeatUnit, number]> = {
  daily: ['day', 1],
  weekly: ['week', 1],
  fortnight: ['week', 2],
  fortnightly: ['week', 2],
  monthly: ['month', 1],
  quarterly: ['quarter', 1],
  yearly: ['year', 1],
  annually: ['year', 1],
};
const LONGEST_INTERVAL = 999;
const WEEKDAY_SHORT = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const MONTH_SHORT = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/** Phrases repeat themselves: most notes of a library say the same few. */
const known = new Map<string, Known>();
interface Known {
  repeat: Repeat | null;
  problem: string | null;
}

/**
 * Reads the phrase of a repeat, with or without `every` before it. Null when it is none. Counts and intervals of zero
 * are read as they stand: `repeatProblem` says what is wrong with them.
 *
 * Ambiguities, one rule each: an ordinal before a unit is an interval (`every 2nd week`), before a weekday a place in
 * the month (`every last fri`), and `every second fri` alone is not understood, since people mean either by it.
 *
 * @example readRepeat('every 2 weeks on mon, fri from 2026-11-23')?.interval // 2
 */
export function readRepeat(words: string): Repeat | null {
  return read(words).repeat;
}

function read(words: string): Known {
  const found = known.get(words);
  if (found !== undefined) return found;
  const repeat = words.length < 200 ? new PhraseReader(words).read() : null;
  const result = { repeat, problem: repeat && problemOf(words, repeat) };
  if (known.size > 2000) known.clear();
  known.set(words, result);
  return result;
}

/** Whether words are the phrase of a repeat. `isRepeatPhrase('now and then')` is false. */
export function isRepeatPhrase(words: string): boolean {
  return readRepeat(words) !== null;
}

/** Whether words are the phrase of a repeat with nothing wrong in it. */
export function isSoundRepeat(words: string): boolean {
  const { repeat, problem } = read(words);
  return repeat !== null && problem === null;
}

/** Why a phrase that can be read is no repeat all the same; null when it is one. */
export function repeatProblem(words: string): string | null {
  return read(words).problem;
}

function problemOf(words: string, repeat: Repeat): string | null {
  const wrong = words.split(/\s+/).find((word) => hasIsoDayShape(word) && readIsoDay(word) === null);
  if (wrong !== undefined) return `There is no such day as ${wrong}.`;
  if (repeat.interval === 0) return 'A repeat every 0 times is none; it counts as absent.';
  if (repeat.count === 0) return 'A repeat that comes 0 more times is none; it counts as absent.';
  if (repeat.month !== null && repeat.monthDays.some((day) => day > longestMonth(repeat.month ?? 1)))
    return 'There is no such day in that month; the repeat counts as absent.';
  if (repeat.count !== null && repeat.until !== null) return 'A repeat ends after a count or on a day, not both; it counts as absent.';
  return null;
}

function longestMonth(month: number): number {
  return month === 2 ? 29 : [4, 6, 9, 11].includes(month) ? 30 : 31;
}

/** Prints a repeat in the words of the format, without `every`. Reading them gives the repeat again. */
export function repeatPhrase(repeat: Repeat): string {
  const { unit, interval, weekdays, afterDone, count, until, from } = repeat;
  const days = weekdays.map((weekday) => WEEKDAY_SHORT[weekday - 1]).join(', ');
  let words = interval === 1 ? unit : `${interval} ${unit}s`;
  const places = [
    ...repeat.monthDays.map((day) => (day === -1 ? 'last day' : String(day))),
    ...repeat.weekdaysOfMonth.map(
      ({ ordinal, weekday }) => `${ordinal === -1 ? 'last' : ordinalName(ordinal)} ${WEEKDAY_SHORT[weekday - 1]}`,
    ),
  ];
  if (unit === 'year') {
    const month = MONTH_SHORT[(repeat.month ?? 0) - 1];
    if (repeat.month !== null && places.length > 0)
      words += repeat.weekdaysOfMonth.length > 0 ? ` on ${places.join(', ')} of ${month}` : ` on ${places.join(', ')} ${month}`;
  } else if (places.length > 0) words += ` on ${places.join(', ')}`;
  else if (days !== '') words += ` on ${days}`;
  if (from !== null) words += ` from ${isoDay(from)}`;
  if (afterDone) words += ' after done';
  if (count !== null) words += ` x${count}`;
  return until === null ? words : `${words} until ${isoDay(until)}`;
}

/** Reads a phrase word by word; a method that gives false has met something that belongs to no repeat. */
class PhraseReader {
  private readonly words: string[];
  private at = 0;
  private repeat: Repeat = EMPTY_REPEAT;

  constructor(words: string) {
    this.words = words
      .toLowerCase()
      .replace(/,/g, ' , ')
      .split(/\s+/)
      .filter((word) => word !== '' && word !== 'the');
    if (this.peek() === 'every' || this.peek() === 'each') this.at++;
  }

  read(): Repeat | null {
    if (this.words.length === this.at || !this.readHead()) return null;
    while (this.at < this.words.length) if (!this.readPart()) return null;
    return this.repeat;
  }

  private peek(ahead = 0): string {
    return this.words[this.at + ahead] ?? '';
  }

  private take(word: string): boolean {
    if (this.peek() !== word) return false;
    this.at++;
    return true;
  }

  private set(part: Partial<Repeat>): true {
    this.repeat = { ...this.repeat, ...part };
    return true;
  }

  /** The unit with its interval, or the days themselves. */
  private readHead(): boolean {
    const word = this.peek();
    const whole = WHOLE[word];
    if (whole) {
      this.at++;
      return this.set({ unit: whole[0], interval: whole[1] });
    }
    const weekdays = this.readWeekdays();
    if (weekdays.length > 0) return this.set({ unit: 'week', weekdays });
    if (this.readInterval()) return true;
    const start = this.at;
    if (this.readPlaces() && this.ofMonth(word)) return true;
    this.at = start;
    return this.readYearDay() && this.set({ unit: 'year' });
  }

  private readInterval(): boolean {
    const word = this.peek();
    const said = word === 'other' ? 2 : (numberFrom(word) ?? ordinalFrom(word));
    const unit = UNITS[this.peek(said === null ? 0 : 1).replace(/s$/, '')];
    if (!unit || (said ?? 1) > LONGEST_INTERVAL || word === 'a' || word === 'an') return false;
    this.at += said === null ? 1 : 2;
    return this.set({ unit, interval: said ?? 1 });
  }

  /** `every last fri`, `every 15th of the month`; `second fri` is left alone unless the month is named. */
  private ofMonth(first: string): boolean {
    if (this.take('of')) {
      const month = monthFrom(this.peek());
      this.at++;
      if (month !== null) return this.set({ unit: 'year', month });
      if (this.words[this.at - 1] === 'each') this.at++;
      return this.words[this.at - 1] === 'month' && this.set({ unit: 'month' });
    }
    const plain = /^\d+(?:st|nd|rd|th)$/.test(first) && this.repeat.weekdaysOfMonth.length === 0;
    return (first === 'last' || plain) && this.set({ unit: 'month' });
  }

  private readPart(): boolean {
    const word = this.peek();
    const times = /^x(\d{1,4})$/.exec(word);
    if (times) {
      this.at++;
      return this.setCount(Number(times[1]));
    }
    switch (word) {
      case 'on':
        this.at++;
        return this.readOn();
      case 'from':
        return this.repeat.from === null && this.readDay('from');
      case 'until':
        return this.repeat.until === null && this.readDay('until');
      case 'after':
        this.at += 2;
        return this.words[this.at - 1] === 'done' && this.set({ afterDone: true });
      case 'x':
        this.at += 2;
        return this.setCount(numberFrom(this.words[this.at - 1] ?? ''));
    }
    this.take('for');
    const count = numberFrom(this.peek());
    if (count === null || this.peek(1) !== 'times') return false;
    this.at += 2;
    return this.setCount(count);
  }

  private setCount(count: number | null): boolean {
    return count !== null && this.repeat.count === null && this.set({ count });
  }

  private readDay(field: 'from' | 'until'): boolean {
    const words = this.peek(1);
    this.at += 2;
    return hasIsoDayShape(words) && this.set({ [field]: readIsoDay(words) });
  }

  private readOn(): boolean {
    const { unit, weekdays, monthDays, weekdaysOfMonth, month } = this.repeat;
    if (weekdays.length + monthDays.length + weekdaysOfMonth.length > 0 || month !== null) return false;
    switch (unit) {
      case 'day':
      case 'weekday':
        return false;
      case 'week': {
        const days = this.readWeekdays();
        return days.length > 0 && this.set({ weekdays: days });
      }
      case 'month':
      case 'quarter':
        return this.readPlaces();
      case 'year':
        return this.readYearDay();
    }
  }

  private readWeekdays(): Weekday[] {
    const days = new Set<Weekday>();
    for (let first = true; ; first = false) {
      const start = this.at;
      if (!first) this.skipComma();
      const word = this.peek();
      const weekday = weekdayFrom(word);
      if (word === 'weekend' || word === 'weekends') days.add(6).add(7);
      else if (weekday !== null) days.add(weekday);
      else {
        this.at = start;
        return [...days].sort();
      }
      this.at++;
    }
  }

  private skipComma(): boolean {
    const comma = this.take(',');
    return this.take('and') || comma;
  }

  /** `15`, `15th`, `last day`, `1st mon`, several by comma. */
  private readPlaces(): boolean {
    const monthDays = new Set<number>();
    const places: WeekdayOfMonth[] = [];
    for (let first = true; ; first = false) {
      const start = this.at;
      if (!first && !this.skipComma()) break;
      if (!this.readPlace(monthDays, places)) {
        this.at = start;
        break;
      }
    }
    if (monthDays.size + places.length === 0) return false;
    const late = (day: number): number => (day === -1 ? 99 : day);
    return this.set({ monthDays: [...monthDays].sort((a, b) => late(a) - late(b)), weekdaysOfMonth: places });
  }

  private readPlace(monthDays: Set<number>, places: WeekdayOfMonth[]): boolean {
    const word = this.peek();
    const ordinal = word === 'last' ? -1 : ordinalFrom(word);
    const weekday = weekdayFrom(this.peek(1));
    if (ordinal !== null && ordinal <= 5 && weekday !== null) {
      places.push({ ordinal, weekday });
      this.at += 2;
      return true;
    }
    if (ordinal === -1) {
      this.at += 2;
      monthDays.add(-1);
      return this.words[this.at - 1] === 'day';
    }
    const day = ordinal ?? (/^\d/.test(word) ? numberFrom(word) : null);
    if (day === null || day < 1 || day > 31) return false;
    monthDays.add(day);
    this.at++;
    return true;
  }

  /** `25 dec`, `dec 25`, `last fri of nov`. */
  private readYearDay(): boolean {
    const leading = monthFrom(this.peek());
    if (leading !== null) this.at++;
    if (!this.readPlaces()) return false;
    if (leading !== null) return this.repeat.weekdaysOfMonth.length === 0 && this.set({ month: leading });
    this.take('of');
    const month = monthFrom(this.peek());
    this.at++;
    return month !== null && this.set({ month });
  }
}
