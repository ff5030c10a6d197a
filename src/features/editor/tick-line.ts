import type { EditorView } from '@codemirror/view';
import { toast } from 'sonner';
import { act as actOnText } from '../../core/task/act';
import type { ActionContext } from '../../core/task/action-context';
import { applyChanges, differenceOf } from '../../core/task/edit';
import { echoRefOf } from '../../core/task/echo';
import { progressOf } from '../../core/task/progress';
import { STATUS_NAMES, type Status, isOpen } from '../../core/task/status';
import type { Task } from '../../core/task/task';
import { shorten } from '../session/use-act';
import { noteNow } from './note-field';
import type { NoteSession } from './note-session';

type AskSteps = (task: Task, status: Status, openSteps: number) => void;

/** How many steps of a task are open, at any depth. */
function openStepsIn(view: EditorView, task: Task): number {
  const { tasks } = noteNow(view.state);
  const { all, allDone } = progressOf(tasks)[tasks.indexOf(task)] ?? { all: 0, allDone: 0 };
  return all - allDone;
}

/**
 * Ticks or reopens the task on a line (from 0) of the editor, and saves it.
 *
 * @param sinks whether a finished line goes to the end of its list
 * @param askSteps takes over where open steps, or other notes, are concerned
 * @param saveStep saves what was done as a step of Undo that is called so
 */
export async function tickLine(
  view: EditorView,
  session: NoteSession,
  index: number,
  context: ActionContext,
  sinks: boolean,
  askSteps: AskSteps,
  saveStep: (label: string) => void,
): Promise<void> {
  const asked = noteNow(view.state).tasks.find((one) => one.line === index);
  if (!asked) return;
  // What was typed is no part of the step; meanwhile lines may come or go above.
  await session.save();
  const same = noteNow(view.state).tasks.filter((one) => one.raw === asked.raw);
  const task = same.find((one) => one.line === index) ?? same[0];
  if (!task) return;
  const status = isOpen(task.status) ? 'done' : 'todo';
  const openSteps = isOpen(task.status) ? openStepsIn(view, task) : 0;
  if (openSteps > 0 || task.ref !== null || echoRefOf(task.text) !== null) {
    askSteps(task, status, openSteps);
    return;
  }
  const text = view.state.doc.toString();
  const outcome = actOnText(text, { line: task.line, expected: task.raw }, { do: 'status', status }, context);
  if ('refused' in outcome) {
    toast.error(outcome.refused);
    return;
  }
  const ticked = applyChanges(text, outcome.changes);
  const after = sinks && status === 'done' ? sunk(ticked, task.line, context) : ticked;
  const change = after === ticked ? outcome.changes : differenceOf(text, after);
  if (!change) return;
  view.dispatch({ changes: change, userEvent: 'input.tick' });
  saveStep(`${STATUS_NAMES[status]}: ${shorten(task.text)}`);
}

function sunk(text: string, line: number, context: ActionContext): string {
  const expected = text.split('\n')[line] ?? '';
  const outcome = actOnText(text, { line, expected }, { do: 'sink' }, context);
  return 'refused' in outcome ? text : applyChanges(text, outcome.changes);
}
