import { foldName } from '../../../core/note/names/names';
import type { Intention } from '../../../core/task/acts/intention';

/** Whether all of some tasks are off the table, by their tags. */
export const isNotNow = (tasks: readonly { tags: readonly string[] }[], tag: string): boolean =>
  tasks.every(({ tags }) => tags.some((one) => foldName(one) === foldName(tag)));

/** Puts tasks off the table, or takes them up again where all of them are. */
export const notNowIntention = (tasks: readonly { tags: readonly string[] }[], tag: string): Intention => ({
  do: isNotNow(tasks, tag) ? 'untag' : 'tag',
  name: `#${tag}`,
});
