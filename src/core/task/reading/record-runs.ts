import type { Day } from '../../calendar/day';
import type { ReadNote } from './read-note';
import { isOpen } from '../line/status';
import type { Task } from '../line/task';

/** Records of repeats that follow one another in a list. Lines count from 0, both included. */
export interface RecordRun {
  first: number;
  last: number;
  /** The repeats that are recorded here, in the order in which they come. */
  repeats: { text: string; times: number; last: Day | null }[];
}

/**
 * The places of a note where at least two records of repeats follow one another: closed lines in the list of an open repeat, with its
 * words. Whoever reads the list wants to know that it was done, not to see each time.
 */
export function recordRuns(note: ReadNote): RecordRun[] {
  const repeats = new Set<string>();
  for (const task of note.tasks) if (task.every !== null && isOpen(task.status)) repeats.add(placeOf(note, task));
  if (repeats.size === 0) return [];
  const runs: RecordRun[] = [];
  let run: RecordRun | null = null;
  let times = 0;
  const close = (): void => {
    if (run && times > 1) runs.push(run);
    run = null;
    times = 0;
  };
  for (const task of note.tasks) {
    const item = note.structure.items[task.item];
    if (!item || task.every !== null || isOpen(task.status) || item.line !== task.line || !repeats.has(placeOf(note, task))) continue;
    if (run && item.line !== run.last + 1) close();
    run ??= { first: item.line, last: item.line, repeats: [] };
    run.last = item.lastLine;
    times++;
    count(run, task);
  }
  close();
  return runs;
}

/** The list, by the item around it, and the words: what a record shares with its repeat. */
function placeOf(note: ReadNote, task: Task): string {
  return `${note.structure.items[task.item]?.parent ?? -1} ${task.text}`;
}

function count(run: RecordRun, task: Task): void {
  const day = (task.done ?? task.cancelled)?.from ?? null;
  const known = run.repeats.find(({ text }) => text === task.text);
  if (!known) {
    run.repeats.push({ text: task.text, times: 1, last: day });
    return;
  }
  known.times++;
  if (day !== null && (known.last === null || day > known.last)) known.last = day;
}
