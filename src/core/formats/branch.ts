import type { Clause } from '../task/line/tail';
import type { Task } from '../task/line/task-line';

/** A part of a note as every format sees it, with what stands under it. */
export interface Branch {
  is: 'heading' | 'item' | 'words';
  /** Of a heading, 1 to 6; else 0. */
  level: number;
  /** The note that it stands in. */
  path: string;
  /** From 0. */
  line: number;
  /** Without marker, box and tail. */
  words: string;
  /** Null when it is no task. */
  task: Task | null;
  /** What its tail says, as written. */
  clauses: readonly Clause[];
  /** The lines under it that belong to no item of their own, without their indent. */
  description: readonly string[];
  branches: Branch[];
}

/** A note, or what a list holds of it, as branches. */
export interface Outline {
  /** Null for what stands in no note, as the tasks of a list. */
  path: string | null;
  title: string;
  branches: readonly Branch[];
}

/** Every branch, each before what stands under it. */
export function* allBranches(branches: readonly Branch[]): Generator<Branch> {
  for (const branch of branches) {
    yield branch;
    yield* allBranches(branch.branches);
  }
}

/** A branch that is a task, and the nearest one that it stands under; null where there is none. */
export interface TaskBranch {
  branch: Branch;
  task: Task;
  above: Branch | null;
}

/** Every task, each before its steps. */
export function tasksIn(branches: readonly Branch[]): TaskBranch[] {
  const found: TaskBranch[] = [];
  const walk = (inner: readonly Branch[], above: Branch | null): void => {
    for (const branch of inner) {
      if (branch.task) found.push({ branch, task: branch.task, above });
      walk(branch.branches, branch.task ? branch : above);
    }
  };
  walk(branches, null);
  return found;
}
