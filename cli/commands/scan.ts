import type { Day } from '../../src/core/calendar/day';
import { type TaskFields, taskFields } from '../../src/core/formats/out/task-fields';
import { type Progress, progressOf } from '../../src/core/task/reading/progress';
import type { ReadNote } from '../../src/core/task/reading/read-note';
import { refProblems } from '../../src/core/task/reading/ref-problems';
import { restsUntil } from '../../src/core/task/reading/resting';
import type { Problem, Task } from '../../src/core/task/line/task';
import { isOpen } from '../../src/core/task/line/status';
import type { Desk } from '../desk';

/** A task as the runner prints it: days in ISO form, names without signs, lines from 1, null for what is absent. */
export interface ScannedTask extends TaskFields {
  note: string;
  line: number;
  depth: number;
  parent: number | null;
  heading: readonly string[];
  resting: boolean;
  /** Done ÷ (all − cancelled) of its steps at any depth; null without any. */
  progress: number | null;
  problems: readonly Problem[];
}

/** `scan`: every task of a folder. */
export function scan(desk: Desk, today: Day): { tasks: ScannedTask[] } {
  return { tasks: desk.notes.flatMap((note) => scanNote(desk, note, today)) };
}

/** The tasks of a note. */
export function scanNote(desk: Desk, note: ReadNote, today: Day): ScannedTask[] {
  const progress = progressOf(note.tasks);
  const back = restsUntil(note.tasks, desk.settings.repeatLead === undefined ? 0 : desk.settings.repeatLead);
  return note.tasks.map((task, index) =>
    scanned(desk, note, task, { progress: share(progress[index]), resting: isOpen(task.status) && (back[index] ?? -Infinity) > today }),
  );
}

/** A task, or what else a line says that is read as one, as the runner prints it. */
export function scanned(
  desk: Desk,
  note: ReadNote,
  task: Task,
  { progress, resting }: Pick<ScannedTask, 'progress' | 'resting'>,
): ScannedTask {
  return {
    note: note.path,
    line: task.line + 1,
    ...taskFields(task),
    depth: task.depth,
    parent: task.parent === -1 ? null : (note.tasks[task.parent]?.line ?? -1) + 1,
    heading: task.headings,
    resting,
    progress,
    problems: problemsOf(desk, note, task),
  };
}

function share(progress: Progress | undefined): number | null {
  return progress && progress.all > 0 ? Number((progress.allDone / progress.all).toFixed(4)) : null;
}

function problemsOf(desk: Desk, note: ReadNote, task: Task): readonly Problem[] {
  return [...task.problems, ...refProblems(note.path, task, desk.refs)];
}
