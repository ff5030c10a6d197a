import { isSealedPath } from '../note/names/path';
import type { Branch } from './branch';
import { listPart } from './out/parts-of';
import type { Part } from './out/part';

/** A row of a list as it goes out: what finds its line again, with the steps inside it. */
export interface ListedRow {
  what: 'task' | 'note' | 'point';
  path: string;
  noteTitle: string;
  /** From 0. */
  line: number;
  steps: readonly ListedRow[];
}

/** What a list holds, group by group, in its order. */
export interface ListedGather {
  /** Null for one that gives itself none. */
  title: string | null;
  /** The label is null where it is not grouped. */
  groups: readonly { label: string | null; rows: readonly ListedRow[] }[];
}

/** Lists without what stands in sealed notes: for what is given to others. */
export function withoutSealed(lists: readonly ListedGather[]): ListedGather[] {
  const open = (rows: readonly ListedRow[]): ListedRow[] =>
    rows.flatMap((row) => (isSealedPath(row.path) ? [] : [{ ...row, steps: open(row.steps) }]));
  return lists.map((list) => ({ ...list, groups: list.groups.map(({ label, rows }) => ({ label, rows: open(rows) })) }));
}

/** The paths of the notes whose lines some lists hold. */
export function pathsOfLists(lists: readonly ListedGather[]): string[] {
  const paths = new Set<string>();
  const add = ({ path, what, steps }: ListedRow): void => {
    if (what !== 'note') paths.add(path);
    steps.forEach(add);
  };
  for (const { groups } of lists) for (const { rows } of groups) rows.forEach(add);
  return [...paths];
}

/**
 * Lists as what goes out: their groups are headings, a note in one is a link to it. Lists that hold nothing are left out.
 *
 * @param title of those that give themselves none
 * @param branchAt the branch on a line (from 0); undefined where it is gone
 */
export function partsOfLists(
  lists: readonly ListedGather[],
  title: string,
  branchAt: (path: string, line: number) => Branch | undefined,
): Part[] {
  const branchOf = ({ what, path, noteTitle, line, steps }: ListedRow): Branch[] => {
    if (what === 'note') return [{ ...NO_BRANCH, is: 'item', path, line, words: `[[${noteTitle}]]` }];
    const found = branchAt(path, line);
    return found ? [{ ...found, branches: steps.flatMap(branchOf) }] : [];
  };
  return lists.flatMap((list) => {
    const branches = list.groups.flatMap(({ label, rows }): Branch[] => {
      const under = rows.flatMap(branchOf);
      if (label === null || under.length === 0) return under;
      return [{ ...NO_BRANCH, is: 'heading', level: 2, path: '', line: 0, words: label, branches: under }];
    });
    return branches.length === 0 ? [] : [listPart(list.title ?? title, branches)];
  });
}

const NO_BRANCH = { level: 0, task: null, clauses: [], description: [], branches: [] as Branch[] } as const;
