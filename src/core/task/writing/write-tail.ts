import type { ClauseName } from '../line/clause';
import { type Clause, type Tail, clauseOf, readTail } from '../line/tail';

/** Clauses that stand last: new ones go before them. */
const STAMPS: ReadonlySet<ClauseName> = new Set(['made', 'done', 'cancelled']);

/**
 * Sets a clause in the tail of a line: in place where it is there, else before the stamps, else last. A line
 * without tail gets one, after a space.
 *
 * @param words the clause as it is to stand, such as `due 2026-11-27`
 */
export function withClause(line: string, wordsFrom: number, name: ClauseName, words: string): string {
  const tail = readTail(line, wordsFrom);
  if (!tail) {
    // Where there are no words yet, the space behind the box stays one.
    const box = /^\[[^\]]+\][ \t]/.exec(line.slice(wordsFrom))?.[0].length ?? 0;
    const end = Math.max(line.trimEnd().length, wordsFrom + box);
    return `${line.slice(0, end)} {${words}}${line.slice(end)}`;
  }
  const present = clauseOf(tail, name);
  if (present) return splice(line, present.from, present.to, words);
  const before = STAMPS.has(name) ? undefined : tail.clauses.find((clause) => clause.name !== null && STAMPS.has(clause.name));
  if (before) return splice(line, before.from, before.from, `${words}; `);
  const last = tail.clauses[tail.clauses.length - 1];
  const at = last?.to ?? tail.from + 1;
  return splice(line, at, at, `; ${words}`);
}

/** Takes every clause of a name out of the tail; an empty tail goes with the space before it. */
export function withoutClause(line: string, wordsFrom: number, name: ClauseName): string {
  let result = line;
  for (;;) {
    const tail = readTail(result, wordsFrom);
    const clause = clauseOf(tail, name);
    if (!tail || !clause) return result;
    result = tail.clauses.length === 1 ? withoutTail(result, tail) : withoutOne(result, tail, clause);
  }
}

/** What makes a task that one and no other: what points at it, and what it is joined with or was sent to elsewhere. */
const IDENTITY: readonly ClauseName[] = ['ref', 'joined', 'sent'];

/**
 * A line as a copy of its task says it: a copy is another task.
 *
 * @example withoutIdentity('- [ ] Weigh {due 2026-11-27; joined Team; ref k3f9qa}', 2) // '- [ ] Weigh {due 2026-11-27}'
 */
export const withoutIdentity = (line: string, wordsFrom: number): string =>
  IDENTITY.reduce((words, name) => withoutClause(words, wordsFrom, name), line);

/**
 * The same of every line of a text that begins with a box, as where a template is used.
 *
 * @param isTwice whether a line is a copy, by its ref; all are when it is left out. What other lines of the text need keeps its ref
 */
export function textWithoutIdentity(text: string, isTwice: (ref: string | undefined) => boolean = () => true): string {
  if (!/\b(?:ref|joined|sent)\s/.test(text)) return text;
  const isNeeded = /\bneeds\s/.test(text);
  const copy = (line: string): string => {
    const from = line.indexOf('[');
    if (!/^\s*(?:[-*+]|\d+[.)])\s+\[/.test(line) || !isTwice(clauseOf(readTail(line, from), 'ref')?.value)) return line;
    return isNeeded ? withoutClause(withoutClause(line, from, 'joined'), from, 'sent') : withoutIdentity(line, from);
  };
  return text.split('\n').map(copy).join('\n');
}

function withoutTail(line: string, tail: Tail): string {
  let from = tail.from;
  if (from > 0 && /\s/.test(line.charAt(from - 1))) from--;
  return splice(line, from, tail.to, '');
}

function withoutOne(line: string, tail: Tail, clause: Clause): string {
  const index = tail.clauses.indexOf(clause);
  const next = tail.clauses[index + 1];
  if (next) return splice(line, clause.from, next.from, '');
  const previous = tail.clauses[index - 1];
  return splice(line, previous?.to ?? clause.from, clause.to, '');
}

function splice(line: string, from: number, to: number, insert: string): string {
  return line.slice(0, from) + insert + line.slice(to);
}
