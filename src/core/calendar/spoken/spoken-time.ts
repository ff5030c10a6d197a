import type { SpokenWord } from './spoken-words';

/** A time of day found at a word: how many words it takes, and the minute after midnight. */
export interface SpokenTime {
  count: number;
  minute: number;
}

const CLOCK = /^(\d{1,2}):(\d{2})(am|pm)?$/;
const HALF_DAY = /^(\d{1,2})(am|pm)$/;

/**
 * Reads a time of day at a word: `15:00`, `9am`, `9 am`, `9:30pm`, `noon`, `midnight`, `9 o'clock`, each also after
 * `at`. Null when none stands there.
 *
 * @param besideDate whether a date stands next to it: only then `at 9`, with nothing behind it, is a time
 */
export function readSpokenTime(words: readonly SpokenWord[], at: number, besideDate: boolean): SpokenTime | null {
  const afterAt = words[at]?.word === 'at' ? 1 : 0;
  const first = words[at + afterAt];
  if (!first || (afterAt === 1 && words[at]?.ends)) return null;
  const second = first.ends ? undefined : words[at + afterAt + 1];
  const found = timeOf(first.word, second?.word ?? '');
  if (found) return { count: afterAt + found.count, minute: found.minute };
  const hour = /^\d{1,2}$/.test(first.word) ? Number(first.word) : 24;
  return afterAt === 1 && besideDate && hour < 24 && (!second || first.ends) ? { count: 2, minute: hour * 60 } : null;
}

function timeOf(word: string, next: string): SpokenTime | null {
  if (word === 'noon') return { count: 1, minute: 720 };
  if (word === 'midnight') return { count: 1, minute: 0 };
  const together = CLOCK.exec(word) ?? HALF_DAY.exec(word);
  if (together) {
    const half = together[3] ?? (/^[ap]m$/.test(together[2] ?? '') ? together[2] : undefined);
    const minutes = HALF_DAY.test(word) ? 0 : Number(together[2]);
    if (half === undefined && /^[ap]m$/.test(next)) return counted(2, minuteOf(Number(together[1]), minutes, next));
    return counted(1, minuteOf(Number(together[1]), minutes, half));
  }
  if (!/^\d{1,2}$/.test(word)) return null;
  if (next === 'am' || next === 'pm') return counted(2, minuteOf(Number(word), 0, next));
  return /^o['’]?clock$/.test(next) ? counted(2, minuteOf(Number(word), 0, undefined)) : null;
}

const counted = (count: number, minute: number | null): SpokenTime | null => (minute === null ? null : { count, minute });

/** 12am is midnight, 12pm is noon; an hour that a clock does not have is none. */
function minuteOf(hour: number, minute: number, half: string | undefined): number | null {
  if (minute > 59) return null;
  if (half === undefined) return hour < 24 ? hour * 60 + minute : null;
  return hour >= 1 && hour <= 12 ? ((hour % 12) + (half === 'pm' ? 12 : 0)) * 60 + minute : null;
}
