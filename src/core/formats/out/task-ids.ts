import { signOfText } from '../../agenda/text-sign';
import { type Branch, tasksIn } from '../branch';

/**
 * Gives each task that goes out an identity: its ref, else one made of its note, its words and how many of the same stand before it. A
 * task that did not change has the same one the next time, so that who reads it knows it again.
 *
 * @returns what gives the tasks of some branches theirs; it remembers those that it gave
 */
export function taskIds(): (branches: readonly Branch[]) => ReadonlyMap<Branch, string> {
  const seen = new Map<string, number>();
  return (branches) => {
    const ids = new Map<Branch, string>();
    for (const { branch, task } of tasksIn(branches)) {
      const { words, path } = branch;
      const base = task.ref ?? signOfText(`${path}\n${words}`);
      const count = seen.get(base) ?? 0;
      seen.set(base, count + 1);
      ids.set(branch, `${base}${count === 0 ? '' : `-${count}`}@recado`);
    }
    return ids;
  };
}
