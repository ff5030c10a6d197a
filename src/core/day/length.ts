import type { Task } from '../task/line/task';

/**
 * How long the tasks of a note take by what they say, in minutes and in their order: a task's `takes`, or the sum of its steps where
 * that is more. Null where neither says anything; cancelled steps add nothing.
 */
export function lengthsOf(tasks: readonly Pick<Task, 'takes' | 'parent' | 'status'>[]): (number | null)[] {
  const lengths = tasks.map((task) => task.takes);
  const sums = new Map<number, number>();
  // Steps stand after what they are steps of.
  for (let index = tasks.length - 1; index >= 0; index--) {
    const task = tasks[index];
    if (!task) continue;
    const steps = sums.get(index);
    const length = steps === undefined ? task.takes : Math.max(steps, task.takes ?? 0);
    lengths[index] = length;
    if (task.parent !== -1 && length !== null && task.status !== 'cancelled') sums.set(task.parent, (sums.get(task.parent) ?? 0) + length);
  }
  return lengths;
}

/** When something begins, and how long it is by what it says; minutes. */
export interface Begins {
  start: number | null;
  minutes: number | null;
}

/**
 * How long each thing of a day is: what it says, else until the next start of the day but no longer than `most`; null for what says
 * neither time nor length.
 *
 * @example resolvedLengths([{ start: 540, minutes: null }, { start: 550, minutes: null }], 30) // [10, 30]
 */
export function resolvedLengths(items: readonly Begins[], most: number): (number | null)[] {
  const starts = items.flatMap(({ start }) => start ?? []).sort((a, b) => a - b);
  return items.map(({ start, minutes }) => {
    if (minutes !== null || start === null) return minutes;
    const next = starts.find((one) => one > start) ?? Infinity;
    return Math.min(most, next - start);
  });
}
