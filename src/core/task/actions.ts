import { isoDay } from '../calendar/day';
import { type Now, timeName } from '../calendar/span';
import { readStructure } from '../note/blocks';
import { readFrontMatter } from '../note/front-matter';
import { splitLines } from '../note/lines';
import { type LineRef, type Outcome, editLine } from './edit';
import { type ClauseName, type Priority, clauseExists, hasClauseForm } from './clause';
import { type Status, signOf } from './status';
import { type TaskLine, readTaskLine } from './task';
import { withClause, withoutClause } from './write-tail';

/** What a person wants done to one task line. */
export type Intention =
  | { do: 'status'; status: Status }
  | { do: 'set'; clause: Exclude<ClauseName, 'priority'>; value: string }
  | { do: 'unset'; clause: ClauseName }
  | { do: 'priority'; priority: Priority | null };

export const NO_TASK = 'That line is no task, so nothing was changed.';
export const REPEATS = 'This task repeats. Finishing repeating tasks comes later; nothing was changed, so that its pattern is kept.';

/**
 * What an intention does to the text of a note: the smallest changes, or the reason why it does nothing.
 *
 * @param now what stamps are written with
 */
export function act(text: string, ref: Omit<LineRef, 'path'>, intention: Intention, now: Now): Outcome {
  const items = readStructureItems(text);
  return editLine(text, ref, (line, index) => {
    const wordsFrom = items.get(index);
    const task = wordsFrom === undefined ? null : readTaskLine(line, wordsFrom);
    return task ? rewrite(line, task, intention, now) : { refused: NO_TASK };
  });
}

/** Where the words of each line's innermost item begin. */
function readStructureItems(text: string): Map<number, number> {
  const lines = splitLines(text);
  const { items } = readStructure(lines, readFrontMatter(lines).lineCount);
  const found = new Map<number, number>();
  for (const item of items) if (item.wordsFrom >= 0) found.set(item.line, item.wordsFrom);
  return found;
}

function rewrite(line: string, task: TaskLine, intention: Intention, now: Now): string | { refused: string } {
  switch (intention.do) {
    case 'status':
      return withStatus(line, task, intention.status, now);
    case 'set': {
      const { clause, value } = intention;
      if (!hasClauseForm(clause, value) || !clauseExists(clause, value))
        return { refused: `“${value}” cannot be read for ${clause}, so nothing was changed.` };
      return withClause(line, task.boxFrom, clause, value === '' ? clause : `${clause} ${value}`);
    }
    case 'unset':
      return withoutClause(line, task.boxFrom, intention.clause);
    case 'priority':
      return intention.priority === null
        ? withoutClause(line, task.boxFrom, 'priority')
        : withClause(line, task.boxFrom, 'priority', intention.priority);
  }
}

/** The stamp that each status leaves; the stamps of the others are taken back. */
const STAMP: Record<Status, 'done' | 'cancelled' | 'since' | null> = {
  todo: null,
  underway: 'since',
  waiting: 'since',
  done: 'done',
  cancelled: 'cancelled',
};

function withStatus(line: string, task: TaskLine, status: Status, now: Now): string | { refused: string } {
  if (task.status === status && task.sign === signOf(status)) return line;
  if (task.every !== null && (status === 'done' || status === 'cancelled')) return { refused: REPEATS };
  const from = task.boxFrom + 1;
  let next = line.slice(0, from) + signOf(status) + line.slice(from + task.sign.length);
  for (const stamp of ['done', 'cancelled', 'since'] as const) {
    if (STAMP[status] !== stamp) next = withoutClause(next, task.boxFrom, stamp);
  }
  const stamp = STAMP[status];
  return stamp ? withClause(next, task.boxFrom, stamp, `${stamp} ${stampOf(now)}`) : next;
}

/** `2026-11-23 09:14`: the local minute, as stamps bear it. */
export function stampOf(now: Now): string {
  return `${isoDay(now.day)} ${timeName(now.minute)}`;
}
