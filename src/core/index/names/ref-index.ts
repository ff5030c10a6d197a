import type { RefTask } from '../../task/reading/ref-problems';

/** The tasks of a library that are named by a ref. */
export class RefIndex {
  readonly table = new Map<string, RefTask[]>();
  /** Grows with every change. */
  version = 0;

  has(ref: string): boolean {
    return this.table.has(ref);
  }

  add(tasks: readonly RefTask[]): void {
    for (const task of tasks) {
      const found = this.table.get(task.ref);
      if (found) found.push(task);
      else this.table.set(task.ref, [task]);
    }
    if (tasks.length > 0) this.version++;
  }

  remove(tasks: readonly RefTask[]): void {
    for (const task of tasks) {
      const left = (this.table.get(task.ref) ?? []).filter((one) => one !== task);
      if (left.length === 0) this.table.delete(task.ref);
      else this.table.set(task.ref, left);
    }
    if (tasks.length > 0) this.version++;
  }
}
