import { foldPath } from '../../note/names/path';
import { echoRefOf } from '../line/echo';
import { isOpen } from '../line/status';
import { clauseOf, readTail } from '../line/tail';
import type { Problem, Task } from '../line/task';

/** The tasks of a library that are named by a ref. */
export type RefTable = ReadonlyMap<string, readonly RefTask[]>;

/** What problems and gathers need of a task that something points at. */
export interface RefTask {
  ref: string;
  path: string;
  line: number;
  text: string;
  open: boolean;
  cancelled: boolean;
  needs: readonly string[];
}

/** @param note the tasks of its note: a repeat, whose line stays open, was done as soon as one of its times was */
export function refTask(path: string, task: Task, note: readonly Task[]): RefTask {
  return {
    ref: task.ref ?? '',
    path,
    line: task.line,
    text: task.text,
    open: isOpen(task.status) && !wasDone(task, note),
    cancelled: task.status === 'cancelled',
    needs: task.needs,
  };
}

function wasDone(task: Task, note: readonly Task[]): boolean {
  if (task.every === null) return false;
  return (task.times ?? 0) > 0 || note.some((one) => one.status === 'done' && one.every === null && one.text === task.text);
}

/** The task that a ref points at: a doubled one is followed by nothing. */
export function taskOfRef(table: RefTable, ref: string): RefTask | null {
  const found = table.get(ref);
  return found?.length === 1 ? (found[0] ?? null) : null;
}

/** Whether a task must still wait for another. */
export function isBlocked(needs: readonly string[], table: RefTable): boolean {
  return needs.some((ref) => taskOfRef(table, ref)?.open === true);
}

/** What is wrong with what a task points at, which only the whole library can tell. */
export function refProblems(
  path: string,
  task: Pick<Task, 'raw' | 'boxFrom' | 'ref' | 'needs' | 'text' | 'line'>,
  table: RefTable,
): Problem[] {
  const tail = task.ref !== null || task.needs.length > 0 ? readTail(task.raw, task.boxFrom) : null;
  const at = (name: 'ref' | 'needs'): { from: number; to: number } => {
    const clause = clauseOf(tail, name);
    return { from: clause?.from ?? 0, to: clause?.to ?? task.raw.length };
  };
  const problems: Problem[] = [];
  const other = task.ref === null ? undefined : table.get(task.ref)?.find((one) => !isSame(one, path, task.line));
  if (other)
    problems.push({ message: `Another task has this ref too (${other.path}, line ${other.line + 1}); nothing follows it.`, ...at('ref') });
  for (const need of task.needs) {
    const message = needProblem(task.ref, need, table);
    if (message !== null) problems.push({ message, ...at('needs') });
  }
  const echoed = echoRefOf(task.text);
  if (echoed !== null && !taskOfRef(table, echoed)) {
    problems.push({ message: 'The task that this line stands for is gone; its words are kept.', from: task.boxFrom, to: task.raw.length });
  }
  return problems;
}

function isSame(one: RefTask, path: string, line: number): boolean {
  return one.line === line && foldPath(one.path) === foldPath(path);
}

function needProblem(own: string | null, need: string, table: RefTable): string | null {
  const found = table.get(need) ?? [];
  if (found.length === 0) return `There is no task with the ref ${need}.`;
  if (found.length > 1) return `Several tasks have the ref ${need}, so it blocks nothing.`;
  if (found[0]?.cancelled) return `“${found[0].text}” was cancelled and no longer blocks this task.`;
  return own !== null && leadsTo(need, own, table) ? `It needs “${found[0]?.text ?? need}”, which in the end needs this task.` : null;
}

/** Whether following needs from one ref comes to another. */
function leadsTo(from: string, to: string, table: RefTable): boolean {
  const seen = new Set<string>();
  const waiting = [from];
  for (let ref = waiting.pop(); ref !== undefined; ref = waiting.pop()) {
    if (ref === to) return true;
    if (seen.has(ref)) continue;
    seen.add(ref);
    waiting.push(...(taskOfRef(table, ref)?.needs ?? []));
  }
  return false;
}
