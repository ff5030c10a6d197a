import { readRepeat, repeatProblem } from '../repeat/repeat-phrase';
import { readSpokenTime } from './spoken-time';
import { spokenWords } from './spoken-words';

/** A repeat as people say it: its phrase, and the time of day that was said with it. */
export interface TimedRepeat {
  /** Without `every` and without the time, as a tail stores it. */
  phrase: string;
  /** Minutes after midnight; null when no time was said. */
  minute: number | null;
}

/** A repeat that was found in what a person typed. Offsets hold its words and its time. */
export interface SpokenRepeat extends TimedRepeat {
  from: number;
  to: number;
}

/** The phrase of a repeat has at most so many words. */
const LONGEST = 16;

/**
 * Reads the phrase of a repeat, with or without `every`, that may have a time of day in it. Null when it is none.
 *
 * @example readTimedRepeat('every mon, fri 10:00') // { phrase: 'mon, fri', minute: 600 }
 */
export function readTimedRepeat(typed: string): TimedRepeat | null {
  const text = typed.trim();
  if (isRepeat(text)) return { phrase: bare(text), minute: null };
  const words = spokenWords(text);
  for (let at = words.length - 1; at > 0; at--) {
    const time = readSpokenTime(words, at, true);
    const last = words[at + (time?.count ?? 0) - 1];
    if (!time || !last) continue;
    const rest = `${text.slice(0, words[at]?.from).trimEnd()} ${text.slice(last.to).trimStart()}`.trim();
    if (isRepeat(rest)) return { phrase: bare(rest), minute: time.minute };
  }
  return null;
}

const isRepeat = (words: string): boolean => readRepeat(words) !== null && repeatProblem(words) === null;
const bare = (words: string): string => words.replace(/^(?:every|each)\s+/i, '');

/** The first repeat in what a person typed; null when there is none. */
export function readSpokenRepeat(text: string): SpokenRepeat | null {
  const words = spokenWords(text);
  for (let at = 0; at < words.length; at++) {
    const length = spokenRepeatLength(text, words, at);
    const last = words[at + length - 1];
    const first = words[at];
    const found = length === 0 || !first || !last ? null : readTimedRepeat(text.slice(first.from, last.to));
    if (found && first && last) return { ...found, from: first.from, to: last.to };
  }
  return null;
}

/** How many words a repeat takes from a word on, its time too; 0 when none begins there. */
export function spokenRepeatLength(text: string, words: ReturnType<typeof spokenWords>, at: number): number {
  const first = words[at];
  if (!first || !/^(?:every|each)$/.test(first.word)) return 0;
  for (let end = Math.min(words.length, at + LONGEST); end > at + 1; end--) {
    if (readTimedRepeat(text.slice(first.from, words[end - 1]?.to))) return end - at;
  }
  return 0;
}
