import { signOfText } from '../agenda/text-sign';
import { type Branch, type Outline, tasksIn } from './branch';

/**
 * An identity for each task that goes out: its ref, else one made of its note, its words and how many of the same stand before it. A task
 * that did not change has the same one the next time, so that who reads it knows it again.
 */
export function taskIds(outlines: readonly Outline[]): ReadonlyMap<Branch, string> {
  const ids = new Map<Branch, string>();
  const seen = new Map<string, number>();
  for (const { branches } of outlines)
    for (const { branch, task } of tasksIn(branches)) {
      const { words, path } = branch;
      const base = task.ref ?? signOfText(`${path}\n${words}`);
      const count = seen.get(base) ?? 0;
      seen.set(base, count + 1);
      ids.set(branch, `${base}${count === 0 ? '' : `-${count}`}@recado`);
    }
  return ids;
}
