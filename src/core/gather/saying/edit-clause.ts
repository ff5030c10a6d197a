import { type Token, tokensOf } from '../language/lexer';
import { CLAUSE_WORDS } from '../language/parse';

/** A title is a token of its own kind. */
const BEGINNINGS = new Set(CLAUSE_WORDS.filter((word) => word !== 'title'));

/** A clause by its first word. */
export type ClauseWord = 'group' | 'order' | 'columns' | 'including' | 'as' | 'totals' | 'limit';

/**
 * A gather's text with another clause in the place of the one of the same name, at its end when it had none; null takes it
 * away. Everything else, also comments and the breaks between lines, stays.
 *
 * @param clause the whole clause, such as `order by due desc`
 * @example withGatherClause('open\norder by due', 'order', 'order by plan') // 'open\norder by plan'
 */
export function withGatherClause(text: string, word: ClauseWord, clause: string | null): string {
  const tokens = tokensOf(text);
  const first = tokens.findIndex((token, index) => token.kind === 'word' && token.value === word && beginsClause(tokens, index));
  if (first === -1) return clause === null ? text : `${text.replace(/\s+$/, '')}${text.trim() === '' ? '' : '\n'}${clause}`;
  let last = first + 1;
  while (last < tokens.length && !beginsClause(tokens, last)) last++;
  const from = tokens[first]?.from ?? 0;
  const to = tokens[last - 1]?.to ?? text.length;
  if (clause !== null) return text.slice(0, from) + clause + text.slice(to);
  const before = text.slice(0, from);
  // A line that held nothing else goes whole.
  const alone = /(^|\n)[ \t]*$/.test(before) && /^[ \t]*(?:\n|$)/.test(text.slice(to));
  return alone ? before.replace(/\n?[ \t]*$/, '') + text.slice(to) : before.replace(/[ \t]+$/, '') + text.slice(to);
}

/** Whether a clause begins at a token: a clause word that is no field in a list of fields. */
function beginsClause(tokens: readonly Token[], index: number): boolean {
  const token = tokens[index];
  if (!token || token.kind === 'end' || token.kind === 'title') return true;
  if (token.kind !== 'word' || !BEGINNINGS.has(token.value)) return false;
  const before = tokens[index - 1]?.value;
  if (token.value === 'steps') return tokens[index + 1]?.value === 'apart';
  return before !== ',' && before !== 'by' && before !== 'with' && before !== 'without';
}
