import {
  type Day,
  type Weekday,
  addMonths,
  civilFrom,
  dateExists,
  dayFrom,
  endOfMonth,
  isoWeekOf,
  mondayOfWeek,
  readIsoDay,
  startOfMonth,
  startOfWeek,
  weekdayOf,
  weeksInYear,
} from '../day';
import { monthFrom, numberFrom, ordinalFrom, weekdayFrom } from './names-of-days';
import { type DayRange, readMonth, readWeek } from '../span';
import type { SpokenWord } from './spoken-words';

/** What words relative to a day are read against. */
export interface SpokenContext {
  today: Day;
  firstDayOfWeek: Weekday;
  /** Minutes after midnight; without it, spans of hours and minutes are not understood. */
  minute?: number | null;
}

/** A day, week or month found at a word. */
export interface SpokenDay extends DayRange {
  is: 'day' | 'week' | 'month';
  /** How many words it takes. */
  count: number;
}

const DAY_MONTH_YEAR = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/;
/** Weekday and month names that are also common words: they need a number, a time or a role beside them. */
const DOUBTFUL = new Set(['sun', 'sat']);

/**
 * Reads a day, week or month at a word; null when none stands there.
 *
 * @param afterRole whether due, plan, by, on or from stands before it, which settles `sat`, `sun` and bare months
 */
export function readSpokenDay(words: readonly SpokenWord[], at: number, context: SpokenContext, afterRole: boolean): SpokenDay | null {
  return new DayReader(words, at, context, afterRole).read();
}

/** How many words a weekday and a date take that contradict each other; 0 when none stand at a word. */
export function contradictionLength(words: readonly SpokenWord[], at: number, context: SpokenContext): number {
  return new DayReader(words, at, context, false).contradiction();
}

class DayReader {
  constructor(
    private readonly words: readonly SpokenWord[],
    private readonly at: number,
    private readonly context: SpokenContext,
    private readonly afterRole: boolean,
  ) {}

  read(): SpokenDay | null {
    return this.named() ?? this.relative() ?? this.edge() ?? this.numbered() ?? this.weekday() ?? this.calendarDay() ?? this.bareMonth();
  }

  /** The word so many places on; empty behind punctuation that ends the phrase, but for a comma before a year. */
  private word(ahead: number): string {
    for (let place = this.at; place < this.at + ahead; place++) {
      if (this.words[place]?.ends && !/^\d{4}$/.test(this.words[place + 1]?.word ?? '')) return '';
    }
    return this.words[this.at + ahead]?.word ?? '';
  }

  private day(day: Day, count: number): SpokenDay {
    return { is: 'day', from: day, to: day, count };
  }

  private week(from: Day, count: number): SpokenDay {
    return { is: 'week', from, to: from + 6, count };
  }

  private month(day: Day, count: number): SpokenDay {
    return { is: 'month', from: startOfMonth(day), to: endOfMonth(day), count };
  }

  private named(): SpokenDay | null {
    const { today } = this.context;
    switch (this.word(0)) {
      case 'today':
      case 'tonight':
        return this.day(today, 1);
      case 'tomorrow':
        return this.day(today + 1, 1);
      case 'yesterday':
        return this.day(today - 1, 1);
      case 'day':
      case 'the': {
        const skip = this.word(0) === 'the' ? 1 : 0;
        return this.word(skip) === 'day' && this.word(skip + 1) === 'after' && this.word(skip + 2) === 'tomorrow'
          ? this.day(today + 2, skip + 3)
          : null;
      }
    }
    return null;
  }

  /** `in 3 days`, `3 days from now`, `next week`, `this month`, `next fri`, `fri next week`. */
  private relative(): SpokenDay | null {
    const { today, firstDayOfWeek } = this.context;
    const first = this.word(0);
    if (first === 'in') return this.ahead(1, 0);
    if (numberFrom(first) !== null && this.word(2) === 'from' && /^(?:now|today)$/.test(this.word(3))) return this.ahead(0, 2);
    if (first !== 'next' && first !== 'this') return null;
    const on = first === 'next' ? 1 : 0;
    const thisWeek = startOfWeek(today, firstDayOfWeek);
    const weekday = weekdayFrom(this.word(1));
    if (weekday !== null && !this.word(1).endsWith('ys')) {
      const day = on === 1 ? thisWeek + 7 + ((weekday - firstDayOfWeek + 7) % 7) : nextWeekday(today, weekday);
      return this.day(day, 2);
    }
    if (this.word(1) === 'month') return this.month(addMonths(startOfMonth(today), on), 2);
    if (this.word(1) !== 'week') return null;
    const inWeek = weekdayFrom(this.word(2));
    if (inWeek !== null) return this.day(thisWeek + 7 * on + ((inWeek - firstDayOfWeek + 7) % 7), 3);
    return this.isoWeekAround(thisWeek + 7 * on, 2);
  }

  /** A plan holds ISO weeks; a week that begins on another day is the ISO week that holds most of it. */
  private isoWeekAround(start: Day, count: number): SpokenDay {
    return this.week(startOfWeek(start + 3, 1), count);
  }

  private ahead(skip: number, more: number): SpokenDay | null {
    const { today } = this.context;
    const count = numberFrom(this.word(skip));
    if (count === null) return null;
    const taken = skip + 2 + more;
    switch (this.word(skip + 1).replace(/s$/, '')) {
      case 'day':
        return this.day(today + count, taken);
      case 'week':
        return this.day(today + 7 * count, taken);
      case 'month':
        return this.day(addMonths(today, count), taken);
      case 'year':
        return this.day(addMonths(today, 12 * count), taken);
    }
    return null;
  }

  /** `end of month`, `start of next week`: the coming one, today included. */
  private edge(): SpokenDay | null {
    const { today, firstDayOfWeek } = this.context;
    const side = this.word(0);
    if ((side !== 'end' && side !== 'start' && side !== 'beginning') || this.word(1) !== 'of') return null;
    let place = 2;
    if (this.word(place) === 'the' || this.word(place) === 'this') place++;
    const next = this.word(place) === 'next';
    if (next) place++;
    const unit = this.word(place);
    const count = place + 1;
    const ends = side === 'end';
    const named = monthFrom(unit);
    if (named !== null) {
      const start = comingDate(today, (year) => ({ year, month: named, day: ends ? 28 : 1 }));
      return start === null ? null : this.day(ends ? endOfMonth(start) : start, count);
    }
    if (unit === 'week') {
      const start = startOfWeek(today, firstDayOfWeek) + (next ? 7 : 0);
      if (ends) return this.day(start + 6, count);
      return this.day(start < today ? start + 7 : start, count);
    }
    if (unit === 'month') {
      const start = addMonths(startOfMonth(today), next ? 1 : 0);
      if (ends) return this.day(endOfMonth(start), count);
      return this.day(start < today ? addMonths(start, 1) : start, count);
    }
    if (unit !== 'year') return null;
    const { year } = civilFrom(today);
    if (ends) return this.day(dayFrom({ year: year + (next ? 1 : 0), month: 12, day: 31 }), count);
    const start = dayFrom({ year, month: 1, day: 1 });
    return this.day(start < today || next ? dayFrom({ year: year + 1, month: 1, day: 1 }) : start, count);
  }

  /** ISO days, weeks and months, `12.11.2026`, `week 48`. */
  private numbered(): SpokenDay | null {
    const word = this.word(0);
    const iso = readIsoDay(word);
    if (iso !== null) return this.day(iso, 1);
    const week = readWeek(word.toUpperCase());
    if (week) return { is: 'week', ...week, count: 1 };
    const month = /^(?:19|20|21)/.test(word) ? readMonth(word) : null;
    if (month) return { is: 'month', ...month, count: 1 };
    const dotted = DAY_MONTH_YEAR.exec(word);
    if (dotted) {
      const date = { year: Number(dotted[3]), month: Number(dotted[2]), day: Number(dotted[1]) };
      return dateExists(date) ? this.day(dayFrom(date), 1) : null;
    }
    const skip = word === 'in' ? 1 : 0;
    const number = Number(/^\d{1,2}$/.exec(this.word(skip + 1))?.[0] ?? 0);
    if (this.word(skip) !== 'week' || number < 1) return null;
    return this.weekNumbered(number, skip + 2);
  }

  /** The coming week of that number, the present one included. */
  private weekNumbered(number: number, count: number): SpokenDay | null {
    const { year } = isoWeekOf(this.context.today);
    for (let next = year; next < year + 8; next++) {
      if (number > weeksInYear(next)) continue;
      const monday = mondayOfWeek({ year: next, week: number });
      if (monday + 6 >= this.context.today) return this.week(monday, count);
    }
    return null;
  }

  /** `fri`, `fri 27`, `fri 27 nov`, `fri next week`; a weekday that contradicts its date is not understood. */
  private weekday(): SpokenDay | null {
    const { today, firstDayOfWeek } = this.context;
    const word = this.word(0);
    const weekday = weekdayFrom(word);
    if (weekday === null || (word.endsWith('ys') && word.length > 5)) return null;
    if (/^(?:next|this)$/.test(this.word(1)) && this.word(2) === 'week') {
      const start = startOfWeek(today, firstDayOfWeek) + (this.word(1) === 'next' ? 7 : 0);
      return this.day(start + ((weekday - firstDayOfWeek + 7) % 7), 3);
    }
    const beside = this.besideWeekday();
    if (beside) return weekdayOf(beside.from) === weekday ? { ...beside, count: beside.count + 1 } : null;
    if (this.rest().looksLikeDate()) return null;
    if (DOUBTFUL.has(word) && !this.afterRole && !this.timeFollows()) return null;
    return this.day(nextWeekday(today, weekday), 1);
  }

  private rest(): DayReader {
    return new DayReader(this.words, this.at + 1, this.context, true);
  }

  /** The date that stands behind a weekday. */
  private besideWeekday(): SpokenDay | null {
    if (this.word(1) === '') return null;
    const rest = this.rest();
    return rest.calendarDay() ?? rest.dayAlone() ?? rest.fixedDay();
  }

  contradiction(): number {
    const weekday = weekdayFrom(this.word(0));
    const beside = weekday === null ? null : this.besideWeekday();
    return beside && weekdayOf(beside.from) !== weekday ? beside.count + 1 : 0;
  }

  private timeFollows(): boolean {
    return /^\d{1,2}(?::\d{2})?(?:am|pm)?$|^at$|^noon$/.test(this.word(1)) && !/^\d{1,2}$/.test(this.word(1));
  }

  /** A day and month that do not exist together, or a number that no month has: something else is meant. */
  private looksLikeDate(): boolean {
    const next = this.word(0);
    if (!/^\d{1,2}(?:st|nd|rd|th)?$/.test(next)) return false;
    return !/^(?:am|pm|o['’]?clock)$/.test(this.word(1));
  }

  private fixedDay(): SpokenDay | null {
    const found = this.numbered();
    return found?.is === 'day' ? found : null;
  }

  /** `1 dec`, `dec 1st`, `1st of december 2026`, `dec 1, 2026`. */
  private calendarDay(): SpokenDay | null {
    const skip = this.word(0) === 'the' ? 1 : 0;
    const first = this.word(skip);
    const leading = monthFrom(first);
    if (leading !== null) {
      const day = dayOfMonthFrom(this.word(skip + 1));
      if (day === null) return /^(?:19|20|21)\d\d$/.test(this.word(skip + 1)) ? this.monthOf(leading, skip) : null;
      return this.dated(leading, day, skip + 2);
    }
    const day = dayOfMonthFrom(first);
    if (day === null) return null;
    const of = this.word(skip + 1) === 'of' ? 1 : 0;
    const month = monthFrom(this.word(skip + 1 + of));
    return month === null ? null : this.dated(month, day, skip + 2 + of);
  }

  private monthOf(month: number, skip: number): SpokenDay {
    return this.month(dayFrom({ year: Number(this.word(skip + 1)), month, day: 1 }), skip + 2);
  }

  private dated(month: number, day: number, count: number): SpokenDay | null {
    const year = /^(?:19|20|21)\d\d$/.exec(this.word(count))?.[0];
    if (year !== undefined) {
      const date = { year: Number(year), month, day };
      return dateExists(date) ? this.day(dayFrom(date), count + 1) : null;
    }
    const found = comingDate(this.context.today, (next) => ({ year: next, month, day }));
    return found === null ? null : this.day(found, count);
  }

  /** `the 15th`, and `27` or `27th` behind a weekday: the next such day, today included. */
  dayAlone(): SpokenDay | null {
    const skip = this.word(0) === 'the' ? 1 : 0;
    const day = dayOfMonthFrom(this.word(skip));
    if (day === null || /^(?:am|pm|o['’]?clock)$/.test(this.word(skip + 1))) return null;
    const start = startOfMonth(this.context.today);
    for (let months = 0; months < 12; months++) {
      const { year, month } = civilFrom(addMonths(start, months));
      const date = { year, month, day };
      if (dateExists(date) && dayFrom(date) >= this.context.today) return this.day(dayFrom(date), skip + 1);
    }
    return null;
  }

  /** A month without a number, which only a role makes one; and `the 15th`, `on 15th`. */
  private bareMonth(): SpokenDay | null {
    const place = this.word(0) === 'the' ? 1 : 0;
    if ((place === 1 || this.afterRole) && /^\d+[a-z]/.test(this.word(place)) && ordinalFrom(this.word(place)) !== null)
      return this.dayAlone();
    const month = this.afterRole ? monthFrom(this.word(0)) : null;
    if (month === null) return null;
    const start = comingDate(this.context.today, (year) => ({ year, month, day: 28 }));
    return start === null ? null : this.month(start, 1);
  }
}

function nextWeekday(today: Day, weekday: Weekday): Day {
  return today + ((weekday - weekdayOf(today) + 7) % 7);
}

function dayOfMonthFrom(word: string): number | null {
  const day = /^\d{1,2}$/.test(word) ? Number(word) : /^\d/.test(word) ? ordinalFrom(word) : null;
  return day !== null && day >= 1 && day <= 31 ? day : null;
}

/** The first such date that exists and is not before today; a 29 February may be seven years off. */
function comingDate(today: Day, date: (year: number) => { year: number; month: number; day: number }): Day | null {
  const { year } = civilFrom(today);
  for (let next = year; next <= year + 8; next++) {
    const candidate = date(next);
    if (dateExists(candidate) && dayFrom(candidate) >= today) return dayFrom(candidate);
  }
  return null;
}
