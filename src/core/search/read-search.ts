import { parseGather } from '../gather/language/parse';
import { searchWords } from './words';

/** What a person looks for, as typed in one field. */
export interface Search {
  /** Words that must all be there, folded, in the order of typing. */
  words: string[];
  /** Words in quotes, which must stand one after the other, as they are. */
  phrases: string[][];
  /** Whether the last word may go on: it is still being typed. */
  open: boolean;
  /** A condition of the gather language that narrows what is found; null for none. */
  condition: string | null;
  /** What could not be read, as a sentence; null when all could. */
  problem: string | null;
}

/** Of more words the first are looked for. */
const MOST_WORDS = 24;
/** A condition has no more pieces than these. */
const LONGEST = 8;

const PIECES = /"(?:[^"\\]|\\.)*"?|\[\[[^\]\n]*\]\]|\S+/gu;

/**
 * Reads what is typed into the field of a search: words, words in quotes, and conditions, which need a sign (`#`, `@`, `[[`, `<`, `=`,
 * `>`) or stand after `where`.
 *
 * @example readSearch('crate #loans due < today') // words ['crate'], condition '#loans and due < today'
 */
export function readSearch(typed: string): Search {
  const search: Search = { words: [], phrases: [], open: !/\s$/u.test(typed), condition: null, problem: null };
  const conditions: string[] = [];
  const pieces = [...typed.matchAll(PIECES)];
  let at = 0;
  while (at < pieces.length) {
    const piece = pieces[at]?.[0] ?? '';
    if (piece.toLowerCase() === 'where' && at + 1 < pieces.length) {
      const rest = typed.slice(pieces[at + 1]?.index);
      const [error] = parseGather(`where ${rest}`).errors;
      if (error) search.problem = error.message;
      else conditions.push(at === 0 && conditions.length === 0 ? rest.trim() : `(${rest.trim()})`);
      search.open = false;
      break;
    }
    const length = conditionLength(pieces.slice(at, at + LONGEST).map(([one]) => one));
    if (length > 0) {
      const last = pieces[at + length - 1];
      conditions.push(typed.slice(pieces[at]?.index, (last?.index ?? 0) + (last?.[0].length ?? 0)));
      search.open = false;
    } else {
      takeWords(piece, search);
      search.open = !/\s$/u.test(typed) && !piece.startsWith('"');
    }
    at += Math.max(1, length);
  }
  if (search.words.length > MOST_WORDS) {
    search.problem ??= `Only the first ${MOST_WORDS} words are looked for.`;
    search.words.length = MOST_WORDS;
    search.open = false;
  }
  if (conditions.length > 0) search.condition = conditions.join(' and ');
  return search;
}

function takeWords(piece: string, into: Search): void {
  const words = searchWords(piece);
  if (words.length === 0) return;
  if (piece.startsWith('"')) into.phrases.push(words);
  else into.words.push(...words);
}

/** How many pieces from the first on are a condition; the most that can be read. */
function conditionLength(pieces: readonly string[]): number {
  const [first = '', second = ''] = pieces;
  const named = /^(?:[#@]|\[\[)/.test(first) || (/^(?:not|own)$/i.test(first) && /^(?:[#@]|\[\[)/.test(second));
  const compared = /^\p{L}[\p{L} ]*[<>=!]/u.test(first) || (/^\p{L}+$/u.test(first) && /^(?:!=|[<>=])/.test(second));
  if (!named && !compared) return 0;
  const most = named ? (/^[#@[]/.test(first) ? 1 : 2) : pieces.length;
  for (let length = most; length > 0; length--) {
    // A name that follows begins a condition of its own.
    if (compared && pieces.slice(2, length).some((piece) => /^(?:#|\[\[|")/.test(piece))) continue;
    if (parseGather(`where ${pieces.slice(0, length).join(' ')}`).errors.length === 0) return length;
  }
  return 0;
}
