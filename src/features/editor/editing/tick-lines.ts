import type { EditorView } from '@codemirror/view';
import { actOnMany } from '../../../core/task/acts/act';
import type { ActionContext } from '../../../core/task/acts/action-context';
import { type Change, applyChanges, differenceOf } from '../../../core/task/writing/edit';
import { echoRefOf } from '../../../core/task/line/echo';
import { sinkLists } from '../../../core/task/acts/list-actions';
import { progressOf } from '../../../core/task/reading/progress';
import { soleLink } from '../../../core/note/names/sole-link';
import { STATUS_NAMES, type Status, isOpen } from '../../../core/task/line/status';
import type { Task } from '../../../core/task/line/task';
import { shorten } from '../../session/acting/shorten';
import { noteNow } from '../reading/note-field';

interface Ticking {
  /** Stores what was typed before. */
  settle: () => Promise<void>;
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
export async function tickLines(view: EditorView, lines: readonly number[], ticking: Ticking): Promise<void> {
  const asked = noteNow(view.state).tasks.filter((task) => lines.includes(task.line));
  await ticking.settle();
  const tasks = standing(noteNow(view.state).tasks, asked);
  const status: Status = tasks.some((task) => isOpen(task.status)) ? 'done' : 'todo';
  const turning = tasks.filter((task) => isOpen(task.status) === (status === 'done'));
  const [first] = turning;
  if (!first) return;
  const withSteps = openStepsOf(noteNow(view.state).tasks, turning, status === 'done');
  if (withSteps.some(({ task, openSteps }) => openSteps > 0 || task.ref !== null || reachesOut(task.text))) {
    ticking.elsewhere(withSteps, status);
    return;
  }
  const changes = changesOf(view.state.doc.toString(), turning, status, ticking);
  if ('refused' in changes) return ticking.told(changes.refused);
  if (changes.length === 0) return;
  view.dispatch({ changes, userEvent: 'input.tick' });
  ticking.saveStep(`${STATUS_NAMES[status]}: ${turning.length === 1 ? shorten(first.text) : `${turning.length} tasks`}`);
}

/** Whether words stand for something elsewhere: an echo for a task, a link alone for a project. */
const reachesOut = (words: string): boolean => echoRefOf(words) !== null || soleLink(words) !== null;

/** The tasks that were meant, as they stand now that lines may have come or gone above. */
function standing(now: readonly Task[], asked: readonly Task[]): Task[] {
  return asked.flatMap(({ raw, line }) => {
    const same = now.filter((one) => one.raw === raw);
    return same.find((one) => one.line === line) ?? same[0] ?? [];
  });
}

/** The tasks that turn, each with how many of its steps, at any depth, are open and stay so. */
function openStepsOf(all: readonly Task[], turning: readonly Task[], closes: boolean): { task: Task; openSteps: number }[] {
  const progress = progressOf(all);
  const places = new Map(all.map((task, index) => [task, index]));
  const turned = new Map<number, number>();
  for (const task of turning) for (let up = task.parent; up !== -1; up = all[up]?.parent ?? -1) turned.set(up, (turned.get(up) ?? 0) + 1);
  return turning.map((task) => {
    const place = places.get(task) ?? -1;
    const { all: steps, allDone } = progress[place] ?? { all: 0, allDone: 0 };
    return { task, openSteps: closes ? steps - allDone - (turned.get(place) ?? 0) : 0 };
  });
}

function changesOf(text: string, tasks: readonly Task[], status: Status, { context, sinks }: Ticking): Change[] | { refused: string } {
  const refs = tasks.map(({ line, raw }) => ({ line, expected: raw }));
  const outcome = actOnMany(text, refs, { do: 'status', status }, context);
  if ('refused' in outcome || !sinks || status !== 'done') return 'refused' in outcome ? outcome : outcome.changes;
  const ticked = applyChanges(text, outcome.changes);
  const lines = tasks.map(({ line }) => line);
  const change = differenceOf(text, sinkLists(ticked, lines, context.settings));
  return change ? [change] : [];
}
