import { type ClauseName, clauseNameOf, hasClauseForm, valueProblem } from './clause';

/** One clause of a tail; offsets are into the line's words, without the white space around it. */
export interface Clause {
  /** Null when it is not understood; it is kept all the same. */
  name: ClauseName | null;
  /** Its first word as written. */
  word: string;
  /** What stands after the first word, trimmed. */
  value: string;
  from: number;
  to: number;
  /** Why it does not count; null when it does. */
  problem: string | null;
}

/** The braces at the end of a line, `{due 2026-11-27; top}`. Offsets hold the braces. */
export interface Tail {
  from: number;
  to: number;
  clauses: Clause[];
}

/**
 * Finds the tail of a line: the last braces after white space, with nothing but white space behind them, when
 * at least one clause has the form of its name. Anything else in braces is prose, and gives null.
 *
 * @param from where the words of the item begin
 */
export function readTail(line: string, from: number): Tail | null {
  let end = line.length;
  while (end > from && isSpace(line.charCodeAt(end - 1))) end--;
  if (line.charCodeAt(end - 1) !== 125) return null;
  const open = line.lastIndexOf('{', end - 1);
  if (open < from || (open > from && !isSpace(line.charCodeAt(open - 1)))) return null;
  const inner = line.indexOf('}', open);
  if (inner !== end - 1) return null;
  const clauses = readClauses(line, open + 1, end - 1);
  if (!clauses.some((clause) => clause.name !== null)) return null;
  markSeconds(clauses);
  return { from: open, to: end, clauses };
}

const isSpace = (code: number): boolean => code === 32 || code === 9 || code === 0xa0;

function readClauses(line: string, from: number, to: number): Clause[] {
  const clauses: Clause[] = [];
  for (let at = from; at <= to;) {
    const semicolon = line.indexOf(';', at);
    const end = semicolon === -1 || semicolon > to ? to : semicolon;
    const clause = readClause(line, at, end);
    if (clause) clauses.push(clause);
    at = end + 1;
  }
  return clauses;
}

function readClause(line: string, from: number, to: number): Clause | null {
  const written = line.slice(from, to);
  const words = written.trim();
  if (words === '') return null;
  const start = from + (written.length - written.trimStart().length);
  const space = words.search(/\s/);
  const word = space === -1 ? words : words.slice(0, space);
  const value = space === -1 ? '' : words.slice(space).trim();
  const known = clauseNameOf(word.toLowerCase());
  const name = known !== null && hasClauseForm(known, value) ? known : null;
  return { name, word, value, from: start, to: start + words.length, problem: problemOf(known, name, word, value) };
}

function problemOf(known: ClauseName | null, name: ClauseName | null, word: string, value: string): string | null {
  if (name !== null) return valueProblem(name, value);
  if (known === null) return `“${word}” is no clause that Recado knows; it is kept as it stands.`;
  return value === '' ? `“${word}” needs a value.` : `“${value}” cannot be read for ${word}; it counts as absent.`;
}

const writtenClause = ({ word, value }: Clause): string => (value === '' ? word : `${word} ${value}`);

/** The first of two clauses of one name counts. */
function markSeconds(clauses: Clause[]): void {
  const seen = new Map<ClauseName, Clause>();
  for (const clause of clauses) {
    if (clause.name === null) continue;
    const first = seen.get(clause.name);
    if (first !== undefined)
      clause.problem = `“${writtenClause(clause)}” does not count, because “${writtenClause(first)}” stands before it.`;
    else seen.set(clause.name, clause);
  }
}

/**
 * Braces at the end of a line that are no tail although a clause's name stands in them, as in `{due fri}`: prose, but
 * worth a mark. Offsets hold the braces; null when there are none.
 */
export function readFailedTail(line: string, from: number): { from: number; to: number; clause: Clause } | null {
  const to = line.trimEnd().length;
  const open = line.lastIndexOf('{', to - 1);
  if (line.charCodeAt(to - 1) !== 125 || open < from || (open > from && !isSpace(line.charCodeAt(open - 1)))) return null;
  if (line.indexOf('}', open) !== to - 1) return null;
  const clauses = readClauses(line, open + 1, to - 1);
  const clause = clauses.find((one) => one.value !== '' && clauseNameOf(one.word) !== null);
  return clause && clauses.every((one) => one.name === null) ? { from: open, to, clause } : null;
}

/**
 * A brace that is never closed, before words that would be a tail, as in `Ask {due 2026-11-27`; null when there is none.
 *
 * @returns where the brace stands, and the words behind it
 */
export function readOpenBrace(line: string, from: number): { from: number; words: string } | null {
  const open = line.lastIndexOf('{');
  if (open < from || line.indexOf('}', open) !== -1 || (open > from && !isSpace(line.charCodeAt(open - 1)))) return null;
  const words = line.slice(open + 1).trim();
  return words !== '' && readClauses(line, open + 1, line.length).some((clause) => clause.name !== null) ? { from: open, words } : null;
}

/**
 * Braces within the words of a line that would be its tail if they stood at its end, as in `Ask {due 2026-11-27} Ilse`: what is in them
 * does not count. Offsets hold the braces; null when there are none.
 *
 * @param to where the words end
 */
export function readStrayTail(line: string, from: number, to: number): Tail | null {
  for (let close = line.lastIndexOf('}', to - 1); close >= from; close = line.lastIndexOf('}', close - 1)) {
    const tail = readTail(line.slice(0, close + 1), from);
    if (tail) return tail;
  }
  return null;
}

/** The clause of a name that counts, whether or not its date exists; undefined when there is none. */
export function clauseOf(tail: Tail | null, name: ClauseName): Clause | undefined {
  return tail?.clauses.find((clause) => clause.name === name);
}
