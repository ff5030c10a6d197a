import { readDuration } from '../calendar/duration';
import { numberFrom } from '../calendar/spoken/names-of-days';
import { type SpokenWord, spokenWords } from '../calendar/spoken/spoken-words';
import type { ActionContext } from '../task/acts/action-context';
import type { ClauseName } from '../task/line/clause';
import { storedValue } from '../task/line/clause-value';

/** A clause that was read from words: `due 2026-11-27`. */
export interface SpokenClause {
  name: ClauseName;
  words: string;
}

/** Words that were read as clauses, with where they stood. */
export interface SpokenPart {
  from: number;
  to: number;
  clauses: SpokenClause[];
}

/** The word that opens a clause, and the words that may stand between it and its value. */
const OPENING: Record<string, { name: ClauseName; skip: ReadonlySet<string> }> = {
  owner: { name: 'owner', skip: new Set() },
  asked: { name: 'asked', skip: new Set(['by']) },
  remind: { name: 'remind', skip: new Set(['me', 'at', 'on']) },
  takes: { name: 'takes', skip: new Set() },
  lapses: { name: 'lapses', skip: new Set(['on', 'by']) },
  priority: { name: 'priority', skip: new Set() },
};
/** The value of such a clause has at most so many words. */
const LONGEST = 6;
const PRIORITIES: ReadonlySet<string> = new Set(['top', 'high', 'low']);

/** The clauses that are said by their word, wherever they stand: `owner @kofi`, `asked by @bea`, `remind 1h before`, `takes 20m`. */
export function clausesByWord(typed: string, context: ActionContext): SpokenPart[] {
  const words = spokenWords(typed);
  const found: SpokenPart[] = [];
  const taken = new Set<ClauseName>();
  for (let at = 0; at < words.length; at++) {
    const opening = Object.hasOwn(OPENING, words[at]?.word ?? '') ? OPENING[words[at]?.word ?? ''] : undefined;
    if (!opening || taken.has(opening.name) || words[at]?.ends) continue;
    let first = at + 1;
    if (opening.skip.has(words[first]?.word ?? '')) first++;
    const read = longestValue(typed, words, first, opening.name, context);
    if (!read) continue;
    taken.add(opening.name);
    found.push({ from: words[at]?.from ?? 0, to: read.to, clauses: [{ name: opening.name, words: read.words }] });
    at = read.last;
  }
  return found;
}

function longestValue(
  typed: string,
  words: readonly SpokenWord[],
  first: number,
  name: ClauseName,
  context: ActionContext,
): { words: string; to: number; last: number } | null {
  for (let last = Math.min(words.length, first + LONGEST) - 1; last >= first; last--) {
    const [from, to] = [words[first]?.from ?? 0, words[last]?.to ?? 0];
    const said = clauseFrom(name, typed.slice(from, to), context);
    if (said !== null) return { words: said, to, last };
  }
  return null;
}

function clauseFrom(name: ClauseName, typed: string, context: ActionContext): string | null {
  if (name === 'priority') return PRIORITIES.has(typed.toLowerCase()) ? typed.toLowerCase() : null;
  // A person is meant only where the sign of one stands; `owner nobody` says that nobody is.
  if ((name === 'owner' || name === 'asked') && !typed.startsWith('@') && typed !== 'nobody') return null;
  const value = storedValue(name, typed.toLowerCase().startsWith('@') ? typed : typed.toLowerCase(), context);
  return value === null ? null : `${name} ${value}`;
}

/** Lengths that are said wherever they stand, behind `~` or `for`: `~30m`, `for 2 hours`; so is `~high`. */
export function markedClauses(typed: string, context: ActionContext): SpokenPart[] {
  const words = spokenWords(typed);
  return words.flatMap((word, at): SpokenPart[] => {
    const bare = word.word.startsWith('~') ? word.word.slice(1) : null;
    if (bare !== null && PRIORITIES.has(bare)) return [{ from: word.from, to: word.to, clauses: [{ name: 'priority', words: bare }] }];
    const length =
      bare !== null
        ? lengthAt(words, at, bare, context)
        : word.word === 'for' && !word.ends
          ? lengthAt(words, at + 1, null, context)
          : null;
    return length ? [{ from: word.from, to: length.to, clauses: [{ name: 'takes', words: `takes ${length.words}` }] }] : [];
  });
}

/** A length at a word: `30m`, `1h30m`, `20 min`, `half an hour`. */
function lengthAt(
  words: readonly SpokenWord[],
  at: number,
  first: string | null,
  context: ActionContext,
): { words: string; from: number; to: number; count: number } | null {
  const said = [first ?? words[at]?.word ?? '', words[at + 1]?.word ?? '', words[at + 2]?.word ?? ''];
  for (const count of [3, 2, 1]) {
    const last = words[at + count - 1];
    if (!last || words.slice(at, at + count - 1).some((word) => word.ends)) continue;
    const typed = said.slice(0, count).join(' ');
    // A bare number, and a length of days, are something else as a rule: `for 2 days` says when.
    if (count === 1 ? !/^\d/.test(typed) || readDuration(typed) === null : numberless(said[0] ?? '') || /days?$/.test(typed)) continue;
    const value = storedValue('takes', typed, context);
    if (value !== null) return { words: value, from: words[at]?.from ?? 0, to: last.to, count };
  }
  return null;
}

const numberless = (word: string): boolean => !/^\d/.test(word) && word !== 'half' && numberFrom(word) === null;

/** Tags, people and links, which stand among what ends the words without ending them. */
const NAME = /^(?:[#@][\p{L}\p{M}\p{N}_/.-]+|\[\[.*|.*\]\])$/u;

/**
 * Lengths and priorities at the end of the words, alone or beside what else was read there: `high 20m`. What stands before other words is
 * a word: “high above”, “the 30m mast”.
 *
 * @param read what was read already, in order
 */
export function clausesAtEnd(typed: string, read: readonly SpokenPart[], context: ActionContext): SpokenPart[] {
  const words = spokenWords(typed);
  const found: SpokenPart[] = [];
  const has = (name: ClauseName): boolean => [...read, ...found].some((part) => part.clauses.some((clause) => clause.name === name));
  let at = words.length - 1;
  while (at >= 0) {
    const word = words[at];
    if (!word) break;
    const part = read.find(({ from, to }) => word.from >= from && word.from < to);
    if (part) {
      while (at >= 0 && (words[at]?.from ?? 0) >= part.from) at--;
      continue;
    }
    if (NAME.test(word.word)) {
      at--;
      continue;
    }
    if (PRIORITIES.has(word.word) && !has('priority')) {
      found.unshift({ from: word.from, to: word.to, clauses: [{ name: 'priority', words: word.word }] });
      at--;
      continue;
    }
    const length = has('takes') ? null : lengthEndingAt(words, at, context);
    if (!length) break;
    found.unshift({ from: length.from, to: word.to, clauses: [{ name: 'takes', words: `takes ${length.words}` }] });
    at -= length.count;
  }
  // With nothing left they are the words themselves.
  return hasWordsBeside(words, [...read, ...found]) ? found : [];
}

function lengthEndingAt(words: readonly SpokenWord[], last: number, context: ActionContext): ReturnType<typeof lengthAt> {
  for (const count of [3, 2, 1]) {
    const found = last - count + 1 >= 0 ? lengthAt(words, last - count + 1, null, context) : null;
    if (found?.count === count) return found;
  }
  return null;
}

function hasWordsBeside(words: readonly SpokenWord[], parts: readonly SpokenPart[]): boolean {
  return words.some(({ from, word }) => !NAME.test(word) && !parts.some((part) => from >= part.from && from < part.to));
}
