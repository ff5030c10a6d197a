import type { ReadNote } from '../task/reading/read-note';
import { isOpen } from '../task/line/status';
import type { Task } from '../task/line/task';

/** An open repeat of a note, with the closed lines of its occurrences. */
export interface RepeatOfNote {
  task: Task;
  records: Task[];
}

/**
 * The open repeats of a note and their records: closed lines in the same list, with the same words and tags, of no repeat themselves.
 *
 * @param archives the closed lines of archives that came from this note
 */
export function repeatsOf(note: ReadNote, archives: readonly Task[] = []): RepeatOfNote[] {
  const closed = new Map<string, Task[]>();
  for (const task of note.tasks)
    if (task.every === null && !isOpen(task.status)) {
      const key = placeOf(note, task);
      closed.set(key, [...(closed.get(key) ?? []), task]);
    }
  return note.tasks
    .filter((task) => task.every !== null && isOpen(task.status))
    .map((task) => ({
      task,
      records: [...(closed.get(placeOf(note, task)) ?? []), ...archives.filter(({ text }) => text === task.text)],
    }));
}

const placeOf = (note: ReadNote, task: Task): string => `${note.structure.items[task.item]?.parent ?? -1} ${task.text}`;
