import type { ActionContext } from '../acts/action-context';
import { clauseOf, readOpenBrace, readStrayTail, readTail } from '../line/tail';
import { withTypedClauses } from '../line/typed-tail';
import { withoutClause } from './write-tail';

/**
 * A task line with what one key can mend: words in its tail become dates, a brace is closed, braces that stand before its last words go to its end or into
 * its tail, and `until` without a repeat becomes `lapses`. The line itself when nothing can be mended.
 *
 * @param boxFrom where the box stands in the line
 * @example repairedLine('- [ ] Ask {due 2026-11-27} Ilse', 2, context) // '- [ ] Ask Ilse {due 2026-11-27}'
 */
export function repairedLine(line: string, boxFrom: number, context: ActionContext): string {
  const gathered = withOneTail(readOpenBrace(line, boxFrom) ? `${line.trimEnd()}}` : line, boxFrom);
  return withLapses(withTypedClauses(gathered, boxFrom, context), boxFrom);
}

/** Every pair of braces that would be a tail goes into the one at the end; what that says first counts on. */
function withOneTail(line: string, boxFrom: number): string {
  let result = line;
  for (let left = 20; left > 0; left--) {
    const tail = readTail(result, boxFrom);
    const stray = readStrayTail(result, boxFrom, tail?.from ?? result.length);
    if (!stray) return result;
    const clauses = result.slice(stray.from + 1, stray.to - 1).trim();
    const before = result.slice(0, stray.from).trimEnd();
    const behind = result.slice(stray.to, tail?.from ?? result.length).trim();
    const words = behind === '' ? before : `${before} ${behind}`;
    if (!tail) return `${words} {${clauses}}`;
    result = `${words} ${result.slice(tail.from, tail.to - 1).trimEnd()}; ${clauses}}${result.slice(tail.to)}`;
  }
  return result;
}

function withLapses(line: string, boxFrom: number): string {
  const tail = readTail(line, boxFrom);
  const until = clauseOf(tail, 'until');
  if (!until || clauseOf(tail, 'every')) return line;
  if (clauseOf(tail, 'lapses')) return withoutClause(line, boxFrom, 'until');
  return `${line.slice(0, until.from)}lapses${line.slice(until.from + until.word.length)}`;
}
