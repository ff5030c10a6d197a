import { type Day, isoDay } from '../../src/core/calendar/day';
import type { Span } from '../../src/core/calendar/span';
import { echoRefOf } from '../../src/core/task/line/echo';
import { type Progress, progressOf } from '../../src/core/task/reading/progress';
import type { ReadNote } from '../../src/core/task/reading/read-note';
import { refProblems } from '../../src/core/task/reading/ref-problems';
import { restsUntil } from '../../src/core/task/reading/resting';
import { spanText } from '../../src/core/task/acts/shift-dates';
import type { Problem, Task } from '../../src/core/task/line/task';
import { isOpen } from '../../src/core/task/line/status';
import type { Desk } from '../desk';

/** A task as the runner prints it: days in ISO form, names without signs, lines from 1, null for what is absent. */
export interface ScannedTask {
  note: string;
  line: number;
  raw: string;
  text: string;
  status: string;
  due: string | null;
  plan: string | null;
  start: string | null;
  every: string | null;
  until: string | null;
  /** Minutes. */
  takes: number | null;
  priority: string | null;
  owner: string | null;
  tags: readonly string[];
  inheritedTags: readonly string[];
  people: readonly string[];
  inheritedPeople: readonly string[];
  links: string[];
  remind: string | null;
  ref: string | null;
  needs: readonly string[];
  made: string | null;
  done: string | null;
  cancelled: string | null;
  since: string | null;
  asked: string | null;
  pushed: string[];
  lapses: string | null;
  question: boolean;
  joined: string | null;
  sent: string | null;
  key: boolean;
  /** The ref of the task that an echo stands for. */
  echo: string | null;
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
    raw: task.raw,
    text: task.text,
    status: task.status,
    due: spanName(task.due),
    plan: spanName(task.plan),
    start: dayName(task.start),
    every: task.every,
    until: dayName(task.until),
    takes: task.takes,
    priority: task.priority,
    owner: task.owner,
    tags: task.tags,
    inheritedTags: task.inheritedTags,
    people: task.people,
    inheritedPeople: task.inheritedPeople,
    links: task.links.map((link) => link.target),
    remind: task.remind,
    ref: task.ref,
    needs: task.needs,
    made: spanName(task.made),
    done: spanName(task.done),
    cancelled: spanName(task.cancelled),
    since: spanName(task.since),
    asked: task.asked,
    pushed: task.pushed.map(isoDay),
    lapses: dayName(task.lapses),
    question: task.question,
    joined: task.joined,
    sent: task.sent,
    key: task.key,
    echo: echoRefOf(task.text),
    depth: task.depth,
    parent: task.parent === -1 ? null : (note.tasks[task.parent]?.line ?? -1) + 1,
    heading: task.headings,
    resting,
    progress,
    problems: problemsOf(desk, note, task),
  };
}

const spanName = (span: Span | null): string | null => span && spanText(span);
const dayName = (day: Day | null): string | null => (day === null ? null : isoDay(day));

function share(progress: Progress | undefined): number | null {
  return progress && progress.all > 0 ? Number((progress.allDone / progress.all).toFixed(4)) : null;
}

function problemsOf(desk: Desk, note: ReadNote, task: Task): readonly Problem[] {
  return [...task.problems, ...refProblems(note.path, task, desk.refs)];
}
