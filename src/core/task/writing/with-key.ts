import { clauseOf, readTail } from '../line/tail';
import { type Change, differenceOf } from './edit';
import { withClause, withoutClause } from './write-tail';

const ITEM = /^\s*(?:>\s*)*(?:[-*+]|\d{1,9}[.)])\s+/;

/**
 * What makes a key point of a line, or a plain one of a key point: its clause, and before the words of a line of its own the marker of an item.
 *
 * @returns offsets into the line, in their order; nothing for a line without words
 * @example changes of 'Six crates fit' make '- Six crates fit {key}' of it
 */
export function keyPointChanges(line: string): Change[] {
  if (line.trim() === '') return [];
  const item = ITEM.exec(line)?.[0];
  const indent = /^\s*(?:>\s*)*/.exec(line)?.[0] ?? '';
  const from = (item ?? indent).length;
  const isKey = clauseOf(readTail(line, from), 'key') !== undefined;
  const after = isKey ? withoutClause(line, from, 'key') : withClause(line, from, 'key', 'key');
  const clause = differenceOf(line, after);
  return [...(item === undefined ? [{ from: indent.length, to: indent.length, insert: '- ' }] : []), ...(clause ? [clause] : [])];
}
