import { CLAUSE_WORDS, parseGather } from '../language/parse';

/** Words that could stand at a place of a gather that is being written. */
export interface WordsOffered {
  /** Where the word begins that is being written. */
  from: number;
  /** Words and signs, those first that go on with what stands before. */
  words: readonly string[];
}

/** How the clauses begin that take more than one word to say. */
const CLAUSES = CLAUSE_WORDS.map(
  (word) => ({ group: 'group by', order: 'order by', including: 'including resting', steps: 'steps apart' })[word] ?? word,
);

/** Signs that are typed sooner than chosen. */
const TYPED = new Set(['(', ')', ',', '..', '%']);

/**
 * The words that could stand where somebody writes in a gather. The reader itself says them: it reads what stands before the place, and
 * tells which words it would have taken there.
 *
 * @example wordsOffered('where due ', 10).words // ['in', '=', '!=', …]
 * @param at an offset into the text
 */
export function wordsOffered(text: string, at: number): WordsOffered {
  const before = text.slice(0, at);
  const from = at - (/[\p{L}_]*$/u.exec(before)?.[0].length ?? 0);
  const read = text.slice(0, from);
  const line = read.slice(read.lastIndexOf('\n') + 1);
  // In a name, in words in quotes, in a title and in a comment nothing is offered.
  if (/[#@\p{N}./-]$/u.test(read) || isInside(line)) return { from, words: [] };
  const wanted = new Set<string>();
  // The condition may stand first without its word.
  parseGather(read.trim() === '' ? 'where ' : read, { source: parseGather(text).gather.from, wanted });
  const begins = line.trim() === '';
  const said = [...wanted].filter((word) => !TYPED.has(word));
  const goesOn = said.length === 0 || said.includes('and') || said.includes('desc');
  const clauses = begins || goesOn ? CLAUSES.filter((clause) => !said.includes(clause)) : [];
  return {
    from,
    words: begins && read.trim() !== '' ? [...clauses, ...said.filter((word) => !clauses.includes(word))] : [...said, ...clauses],
  };
}

/** Whether a line ends inside a link, words in quotes, a title, or a comment. */
function isInside(line: string): boolean {
  return (
    /\[\[[^\]]*$/.test(line) ||
    /(?:^|\s)--/.test(line) ||
    /^\s*title\s/i.test(line) ||
    (line.replace(/\\./g, '').match(/"/g)?.length ?? 0) % 2 === 1
  );
}
