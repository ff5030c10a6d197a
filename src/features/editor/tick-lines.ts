import type { EditorView } from '@codemirror/view';
import { act, actOnMany } from '../../core/task/act';
import type { ActionContext } from '../../core/task/action-context';
import { type Change, applyChanges, differenceOf } from '../../core/task/edit';
import { echoRefOf } from '../../core/task/echo';
import { progressOf } from '../../core/task/progress';
import { STATUS_NAMES, type Status, isOpen } from '../../core/task/status';
import type { Task } from '../../core/task/task';
import type { OpenText } from '../../store/open-text';
import { shorten } from '../session/use-act';
import { noteNow } from './note-field';

interface Ticking {
  context: ActionContext;
  /** Whether a finished line goes to the end of its list. */
  sinks: boolean;
  /** Takes over where open steps, or other notes, are concerned. */
  elsewhere: (tasks: readonly { task: Task; openSteps: number }[], status: Status) => void;
  /** Saves what was done as a step of Undo that is called so. */
  saveStep: (label: string) => void;
  told: (refused: string) => void;
}

/**
 * Ticks the tasks on some lines (from 0) of the editor, as one step of Undo; where all are closed, reopens them. What was typed before
 * is stored first, and is no part of the step.
 */
export async function tickLines(
  view: EditorView,
  open: Pick<OpenText, 'settle'>,
  lines: readonly number[],
  ticking: Ticking,
): Promise<void> {
  const asked = noteNow(view.state).tasks.filter((task) => lines.includes(task.line));
  await open.settle();
  const tasks = standing(noteNow(view.state).tasks, asked);
  const status: Status = tasks.some((task) => isOpen(task.status)) ? 'done' : 'todo';
  const turning = tasks.filter((task) => isOpen(task.status) === (status === 'done'));
  const [first] = turning;
  if (!first) return;
  const withSteps = turning.map((task) => ({ task, openSteps: status === 'done' ? openStepsIn(view, task, turning) : 0 }));
  if (withSteps.some(({ task, openSteps }) => openSteps > 0 || task.ref !== null || echoRefOf(task.text) !== null)) {
    ticking.elsewhere(withSteps, status);
    return;
  }
  const changes = changesOf(view.state.doc.toString(), turning, status, ticking);
  if ('refused' in changes) return ticking.told(changes.refused);
  if (changes.length === 0) return;
  view.dispatch({ changes, userEvent: 'input.tick' });
  ticking.saveStep(`${STATUS_NAMES[status]}: ${turning.length === 1 ? shorten(first.text) : `${turning.length} tasks`}`);
}

/** The tasks that were meant, as they stand now that lines may have come or gone above. */
function standing(now: readonly Task[], asked: readonly Task[]): Task[] {
  return asked.flatMap(({ raw, line }) => {
    const same = now.filter((one) => one.raw === raw);
    return same.find((one) => one.line === line) ?? same[0] ?? [];
  });
}

/** How many steps of a task, at any depth, are open and stay so. */
function openStepsIn(view: EditorView, task: Task, turning: readonly Task[]): number {
  const { tasks } = noteNow(view.state);
  const { all, allDone } = progressOf(tasks)[tasks.indexOf(task)] ?? { all: 0, allDone: 0 };
  const isUnder = (one: Task): boolean => {
    for (let up = tasks[one.parent]; up; up = tasks[up.parent]) if (up === task) return true;
    return false;
  };
  return all - allDone - turning.filter((one) => one !== task && isUnder(one)).length;
}

function changesOf(text: string, tasks: readonly Task[], status: Status, { context, sinks }: Ticking): Change[] | { refused: string } {
  const refs = tasks.map(({ line, raw }) => ({ line, expected: raw }));
  const outcome = actOnMany(text, refs, { do: 'status', status }, context);
  if ('refused' in outcome || !sinks || status !== 'done') return 'refused' in outcome ? outcome : outcome.changes;
  let after = applyChanges(text, outcome.changes);
  // From the last to the first: what sinks leaves the lines above it where they were.
  for (const { line } of [...tasks].sort((a, b) => b.line - a.line)) after = sunk(after, line, context);
  const change = differenceOf(text, after);
  return change ? [change] : [];
}

function sunk(text: string, line: number, context: ActionContext): string {
  const expected = text.split('\n')[line] ?? '';
  const outcome = act(text, { line, expected }, { do: 'sink' }, context);
  return 'refused' in outcome ? text : applyChanges(text, outcome.changes);
}
