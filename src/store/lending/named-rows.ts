import { pairedBy } from '../../core/task/reading/paired-by';
import type { LentRow } from './lent-branch';

type Unnamed = Omit<LentRow, 'id'>;

/** What makes a row the one it was, from what is surest on. Its line alone makes it none: another task may stand there now. */
const SAME: readonly ((row: Unnamed) => string)[] = [
  ({ path, line, raw }) => `${path}\n${line}\n${raw}`,
  ({ path, raw }) => `${path}\n${raw}`,
  ({ path, raw }) => `${path}\n${wordsOf(raw)}`,
  ({ raw }) => raw,
];

/**
 * Names the rows of a list: each keeps its id as long as it is the same task, wherever its line goes. A tick may be on its way by that name, so
 * that no other task ever gets it; a task that was reworded has a new one.
 *
 * @param rows null for what is none; a task that stands in the list twice has one name
 * @param before the rows as they were named last
 */
export function namedRows(rows: readonly (Unnamed | null)[], before: readonly LentRow[], makeId: () => string): (LentRow | null)[] {
  const placeOf = ({ path, line }: Unnamed): string => `${path}\n${line}`;
  const present = [...new Map(rows.flatMap((row) => (row ? [[placeOf(row), row] as const] : []))).values()];
  const known = [...new Map(before.map((row) => [row.id, row])).values()];
  const same = pairedBy<Unnamed>(known, present, SAME);
  const ids = new Map(present.map((row, at) => [placeOf(row), known[same[at] ?? -1]?.id ?? makeId()]));
  return rows.map((row) => row && { ...row, id: ids.get(placeOf(row)) ?? '' });
}

/** A line without its box and tail: ticked or moved to another day it is the same. */
const wordsOf = (raw: string): string => raw.replace(/^(\s*\S+\s+)\[[^\]]*\]/u, '$1').replace(/\s*\{[^{}]*\}\s*$/, '');
