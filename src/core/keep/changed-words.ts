import { diffIndices } from 'node-diff3';

/** Some words of a text, and whether they stand in it alone. */
export interface WordPart {
  words: string;
  own: boolean;
}

/** Texts of more words are not compared word by word. */
const MOST_WORDS = 4000;

/** A word, white space or any other sign. */
const PIECES = /[\p{L}\p{N}]+|\s+|[^\p{L}\p{N}\s]/gu;

/**
 * Two texts, each in parts that both have and parts that it has alone: by words, so that one changed word in a line is seen as that.
 *
 * @example changedWords('Six crates', 'Six large crates').now // [{ words: 'Six ', own: false }, { words: 'large ', own: true }, …]
 */
export function changedWords(then: string, now: string): { then: WordPart[]; now: WordPart[] } {
  const a = then.match(PIECES) ?? [];
  const b = now.match(PIECES) ?? [];
  if (a.length + b.length > MOST_WORDS) return { then: whole(then), now: whole(now) };
  const parts: { then: WordPart[]; now: WordPart[] } = { then: [], now: [] };
  let at = 0;
  let to = 0;
  for (const { buffer1, buffer2 } of diffIndices(a, b)) {
    add(parts.then, a.slice(at, buffer1[0]), false);
    add(parts.now, b.slice(to, buffer2[0]), false);
    add(parts.then, piecesOf(a, buffer1), true);
    add(parts.now, piecesOf(b, buffer2), true);
    at = buffer1[0] + buffer1[1];
    to = buffer2[0] + buffer2[1];
  }
  add(parts.then, a.slice(at), false);
  add(parts.now, b.slice(to), false);
  return parts;
}

const piecesOf = (pieces: readonly string[], [from, length]: readonly [number, number]): readonly string[] =>
  pieces.slice(from, from + length);

const whole = (words: string): WordPart[] => (words === '' ? [] : [{ words, own: true }]);

function add(parts: WordPart[], pieces: readonly string[], own: boolean): void {
  const words = pieces.join('');
  if (words === '') return;
  const last = parts.at(-1);
  if (last?.own === own) last.words += words;
  else parts.push({ words, own });
}
