import { type ReadNote, readNote } from '../../../core/task/reading/read-note';
import { isOpen } from '../../../core/task/line/status';
import type { Task } from '../../../core/task/line/task';

/** The finished tasks of a text that stand in no other task, with nothing open under them. */
export function finishedTasks(text: string): Task[] {
  const note = readNote('', text);
  return note.tasks.filter((task) => task.parent === -1 && underOf(note, task).every((one) => !isOpen(one.status)));
}

/** A task and the tasks under it. */
function underOf(note: ReadNote, task: Task): Task[] {
  const item = note.structure.items[task.item];
  return note.tasks.filter((one) => item && one.line >= item.line && one.line <= item.lastLine);
}

/** One task of each list that has closed tasks, and how many boxes and stamps starting again would clear. */
export function listsToReset(text: string): { tasks: Task[]; boxes: number; stamps: number; dates: number } {
  const note = readNote('', text);
  const tasks: Task[] = [];
  let last = -2;
  for (const task of note.tasks) {
    const item = note.structure.items[task.item];
    if (!item || task.parent !== -1) continue;
    // Items that follow each other are one list; starting one of its tasks again starts them all.
    if (item.line > last + 1) tasks.push(task);
    last = item.lastLine;
  }
  return {
    tasks,
    boxes: note.tasks.filter((task) => task.status !== 'todo').length,
    stamps: note.tasks.filter((task) => task.done !== null || task.cancelled !== null || task.since !== null).length,
    dates: note.tasks.filter((task) => task.due !== null || task.plan !== null || task.start !== null || task.remind !== null).length,
  };
}
