import { tasksIn } from '../../core/formats/branch';
import { outlineOf } from '../../core/formats/outline-of';
import { type SharedTask, sharedOf } from '../../core/sharing/outside/shared-task';
import type { Task } from '../../core/task/line/task';
import type { ReadingSettings } from '../../core/task/line/task-line';
import { readNote } from '../../core/task/reading/read-note';
import type { StoredNote } from '../notes/content';

/** The line of a task, as one of its faces. */
export interface FaceLine {
  path: string;
  /** From 0. */
  line: number;
  raw: string;
  ref: string | null;
  /** The outside list with which it says it is joined; null for none. */
  joined: string | null;
  shared: SharedTask;
  repeats: boolean;
  /** When its note was changed last, in milliseconds since 1970. */
  changed: number;
  /** The lines under it that belong to no item of their own. */
  detail: string;
}

/** The lines of a note that are faces of tasks: those that are wanted. */
export function faceLines({ path, text, changed }: StoredNote, wanted: (task: Task) => boolean, settings: ReadingSettings): FaceLine[] {
  if (text === null) return [];
  const note = readNote(path, text, settings);
  const tasks = new Set(note.tasks.filter(wanted));
  if (tasks.size === 0) return [];
  return tasksIn(outlineOf(note).branches).flatMap(({ branch, task }) => {
    if (!tasks.has(task)) return [];
    const detail = branch.description.join('\n').trim();
    const { line, raw, ref, joined, every } = task;
    return [{ path, line, raw, ref, joined, shared: sharedOf(task), repeats: every !== null, changed, detail }];
  });
}
