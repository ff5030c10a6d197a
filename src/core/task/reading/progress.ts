import type { Task } from '../line/task';

/** How far the steps of a task are; cancelled ones count nowhere. */
export interface Progress {
  /** The steps right under it, and how many of them are done. */
  direct: number;
  directDone: number;
  /** The steps at any depth. */
  all: number;
  allDone: number;
}

/** The progress of each task of a note, in their order. */
export function progressOf(tasks: readonly Pick<Task, 'parent' | 'status'>[]): Progress[] {
  const progress = tasks.map(() => ({ direct: 0, directDone: 0, all: 0, allDone: 0 }));
  for (const { parent, status } of tasks) {
    if (status === 'cancelled') continue;
    const done = Number(status === 'done');
    const direct = progress[parent];
    if (direct) {
      direct.direct++;
      direct.directDone += done;
    }
    for (let up = parent; up !== -1; up = tasks[up]?.parent ?? -1) {
      const around = progress[up];
      if (!around) break;
      around.all++;
      around.allDone += done;
    }
  }
  return progress;
}
