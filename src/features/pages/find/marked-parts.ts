import { eachWord } from '../../../core/search/words';

/** A piece of a line, and whether it is a word that was looked for. */
export interface MarkedPart {
  text: string;
  marked: boolean;
}

/** Before the first word that was looked for stand at most so many letters. */
const BEFORE = 60;
const LONGEST = 220;

/**
 * A line in pieces, those marked that were looked for; a long one is cut around the first of them.
 *
 * @param terms folded words, as the search gives them
 * @example markedParts('The Crate', new Set(['crate'])) // [{ text: 'The ', … }, { text: 'Crate', marked: true }]
 */
export function markedParts(line: string, terms: ReadonlySet<string>): MarkedPart[] {
  const found: [number, number][] = [];
  eachWord(line, (word, from, to) => void (terms.has(word) && found.push([from, to])));
  const first = found[0]?.[0] ?? 0;
  const start = first > BEFORE ? wordStart(line, first - BEFORE) : line.search(/\S|$/);
  const end = Math.min(line.length, start + LONGEST);
  const parts: MarkedPart[] = [];
  const add = (text: string, marked: boolean): void => void (text !== '' && parts.push({ text, marked }));
  let at = start;
  if (first > BEFORE) add('… ', false);
  for (const [from, to] of found) {
    if (to > end) break;
    add(line.slice(at, from), false);
    add(line.slice(from, to), true);
    at = to;
  }
  add(line.slice(at, end) + (end < line.length ? ' …' : ''), false);
  return parts;
}

/** The start of a word at a place or behind it. */
const wordStart = (line: string, from: number): number => {
  const space = line.indexOf(' ', from);
  return space === -1 ? from : space + 1;
};
