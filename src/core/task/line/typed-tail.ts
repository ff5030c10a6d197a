import { readTimedRepeat } from '../../calendar/spoken/spoken-repeat';
import type { ActionContext } from '../acts/action-context';
import { type ClauseName, clauseNameOf, hasClauseForm } from './clause';
import { withTimeOfRepeat } from '../acts/clause-actions';
import { storedValue } from './clause-value';
import { readTaskLine } from './task';

/** Clauses whose values people say in words. */
const SAID: ReadonlySet<ClauseName> = new Set(['due', 'plan', 'start', 'until', 'lapses', 'takes', 'owner', 'asked', 'remind']);

/**
 * What a person typed into the braces at the end of a line, with its words stored as the format wants them: `{due fri}`
 * becomes `{due 2026-11-27}`. Called once, when the line is left: later nothing is guessed. What cannot be read stays.
 *
 * @param wordsFrom where the words of the item begin
 */
export function withTypedClauses(line: string, wordsFrom: number, context: ActionContext): string {
  const [, before = '', inside = '', after = ''] = /^(.*?\s\{)([^{}]*)(\}\s*)$/.exec(line) ?? [];
  if (before.length <= wordsFrom || inside === '') return line;
  const clauses = inside.split(';').map((clause) => {
    const [, space = '', word = '', value = '', rest = ''] = /^(\s*)([a-z]+)\s+(.*?)(\s*)$/i.exec(clause) ?? [];
    const name = clauseNameOf(word.toLowerCase());
    if (name === null || !SAID.has(name) || hasClauseForm(name, value)) return clause;
    const stored = storedValue(name, value, context);
    return stored === null ? clause : `${space}${word} ${stored}${rest}`;
  });
  return withTimedRepeat(before + clauses.join(';') + after, wordsFrom, context);
}

/** `{every mon 10:00}`: the time of a repeat becomes that of its plan or due day. */
function withTimedRepeat(line: string, wordsFrom: number, context: ActionContext): string {
  const [, before = '', phrase = '', after = ''] = /^(.*[{;]\s*)every\s+([^;{}]*?)(\s*[;}][^{}]*)$/i.exec(line) ?? [];
  const timed = phrase === '' || hasClauseForm('every', phrase) ? null : readTimedRepeat(phrase);
  if (!timed) return line;
  const untimed = `${before}every ${timed.phrase}${after}`;
  const task = readTaskLine(untimed, wordsFrom, context.settings);
  return task && timed.minute !== null ? withTimeOfRepeat(untimed, task, timed, context.now.day) : line;
}
