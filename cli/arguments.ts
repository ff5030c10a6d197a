import { type Day, dayOfDate, readIsoDay } from '../src/core/calendar/day';
import { readMoment } from '../src/core/calendar/span';
import type { Moment } from '../src/core/task/acts/action-context';
import { OPTIONS, type OptionName, guideOf } from './guide/options';
import { PlainError } from './plain-error';

/** A command with its words and options, as they were given. */
export interface Arguments {
  command: string;
  words: string[];
  options: Map<string, string>;
  flags: Set<string>;
}

/** Splits the words of a command line. What follows `--` is words, whatever it looks like. */
export function readArguments(list: readonly string[]): Arguments {
  const [command = '', ...rest] = list;
  const words: string[] = [];
  const options = new Map<string, string>();
  const flags = new Set<string>();
  for (let at = 0; at < rest.length; at++) {
    const one = rest[at] ?? '';
    if (one === '--') {
      words.push(...rest.slice(at + 1));
      break;
    }
    const [, name, joined] = /^--([a-z]+)(?:=([\s\S]*))?$/.exec(one) ?? [];
    if (name === undefined) words.push(one);
    else if (!isOption(name)) throw new PlainError(`There is no option --${name}.`);
    else if (guideOf(name).value === null) flags.add(name);
    else {
      const value = joined ?? rest[++at];
      if (value === undefined) throw new PlainError(`--${name} needs a value.`);
      options.set(name, value);
    }
  }
  return { command, words, options, flags };
}

const isOption = (name: string): name is OptionName => Object.hasOwn(OPTIONS, name);

/** A day of an option, in ISO form. */
export function dayOption(given: Arguments, name: string): Day | null {
  const value = given.options.get(name);
  if (value === undefined) return null;
  const day = readIsoDay(value);
  if (day === null) throw new PlainError(`--${name} is “${value}”; a day looks like 2026-11-23.`);
  return day;
}

/**
 * The moment at which a command happens: `--now` gives day and minute, `--today` the day (without a minute unless
 * `--now` says one), else the clock of the machine.
 */
export function momentOf(given: Arguments): Moment {
  const now = given.options.get('now');
  const today = dayOption(given, 'today');
  if (now !== undefined) {
    const read = readMoment(now.slice(0, 16));
    if (!read) throw new PlainError(`--now is “${now}”; a time looks like 2026-11-23T09:14.`);
    return { day: today ?? read.from, minute: read.minute };
  }
  if (today !== null) return { day: today, minute: null };
  const clock = new Date();
  return { day: dayOfDate(clock), minute: clock.getHours() * 60 + clock.getMinutes() };
}

/** The value of an option, or a plain error that says what is missing. */
export function optionOf(given: Arguments, name: OptionName, what: string): string {
  const value = given.options.get(name);
  if (value === undefined) throw new PlainError(`${given.command} needs --${name} ${what}.`);
  return value;
}

/** The word at a place, or a plain error that says what was expected there. */
export function wordAt(given: Arguments, place: number, what: string): string {
  const word = given.words[place];
  if (word === undefined) throw new PlainError(`${given.command} needs ${what}.`);
  return word;
}
