import { foldName, readInline } from '../../../core/note/names/names';
import type { ActionContext } from '../../../core/task/acts/action-context';
import type { Task } from '../../../core/task/line/task';
import { repairedLine } from '../../../core/task/writing/repair-line';

/** What one key mends on a line: its tail, or somebody who is named gets a page. */
export type Repair = { is: 'tail'; line: string } | { is: 'page'; person: string };

/**
 * What can be repaired on the line of a task; null when nothing can.
 *
 * @param known the folded handles of the people who have a page; null where nobody has one, and nobody misses any
 */
export function repairOf(line: string, task: Task, context: ActionContext, known: ReadonlySet<string> | null): Repair | null {
  const repaired = repairedLine(line, task.boxFrom, context);
  if (repaired !== line) return { is: 'tail', line: repaired };
  const person = withoutPage(line, known);
  return person === null ? null : { is: 'page', person };
}

/** The first person a line names who has no page, while others have one. */
export function withoutPage(line: string, known: ReadonlySet<string> | null): string | null {
  if (known === null || !line.includes('@')) return null;
  const found = readInline(line, 0, line.length).names.find(({ kind, name }) => kind === 'person' && !known.has(foldName(name)));
  return found?.name ?? null;
}
