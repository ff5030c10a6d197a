import type { Weekday } from '../day';

const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
const MONTHS = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'];
/** Short forms beside the first three letters. */
const SHORT_WEEKDAYS: Record<string, Weekday> = { tues: 2, weds: 3, thur: 4, thurs: 4 };
const NUMBERS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth'];

/** `fri`, `friday`, `fridays` → 5; null for any other word. Words come in lower case. */
export function weekdayFrom(word: string): Weekday | null {
  const short = SHORT_WEEKDAYS[word];
  if (short !== undefined) return short;
  const index = WEEKDAYS.findIndex((name) => word === name || word === `${name}s` || word === name.slice(0, 3));
  return index === -1 ? null : ((index + 1) as Weekday);
}

/** `nov`, `november`, `sept` → its number, 1 to 12; null for any other word. */
export function monthFrom(word: string): number | null {
  if (word === 'sept') return 9;
  const index = MONTHS.findIndex((name) => word === name || word === name.slice(0, 3));
  return index === -1 ? null : index + 1;
}

/** `3`, `three`, `a` → 3, 3, 1; null for any other word. */
export function numberFrom(word: string): number | null {
  if (/^\d{1,4}$/.test(word)) return Number(word);
  if (word === 'a' || word === 'an') return 1;
  const index = NUMBERS.indexOf(word);
  return index === -1 ? null : index;
}

/** `15th`, `1st`, `third` → 15, 1, 3; null for any other word. */
export function ordinalFrom(word: string): number | null {
  const digits = /^(\d{1,2})(?:st|nd|rd|th)$/.exec(word);
  if (digits) return Number(digits[1]);
  const index = ORDINALS.indexOf(word);
  return index === -1 ? null : index + 1;
}

/** `3` → `3rd`. */
export function ordinalName(value: number): string {
  const tens = value % 100;
  const ending = tens > 10 && tens < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][value % 10] ?? 'th');
  return `${value}${ending}`;
}
