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
  const present = new Map(rows.flatMap((row) => (row ? [[placeOf(row), row] as const] : [])));
  const known = new Map(before.map((row) => [row.id, row]));
  const ids = new Map<string, string>();
  for (const same of SAME) {
    const waiting = new Map<string, string[]>();
    for (const row of known.values()) {
      const others = waiting.get(same(row));
      if (others) others.push(row.id);
      else waiting.set(same(row), [row.id]);
    }
    for (const [place, row] of present) {
      const id = ids.has(place) ? undefined : waiting.get(same(row))?.shift();
      if (id === undefined) continue;
      ids.set(place, id);
      known.delete(id);
    }
  }
  for (const place of present.keys()) if (!ids.has(place)) ids.set(place, makeId());
  return rows.map((row) => row && { ...row, id: ids.get(placeOf(row)) ?? '' });
}

/** A line without its box and tail: ticked or moved to another day it is the same. */
const wordsOf = (raw: string): string => raw.replace(/^(\s*\S+\s+)\[[^\]]*\]/u, '$1').replace(/\s*\{[^{}]*\}\s*$/, '');
