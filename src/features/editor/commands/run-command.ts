import type { EditorView } from '@codemirror/view';
import { openSearchPanel } from '@codemirror/search';
import type { ActionContext } from '../../../core/task/acts/action-context';
import type { Task } from '../../../core/task/line/task';
import type { DayAsked } from '../../session/acting/task-dialog';
import { editorContext } from '../reading/editor-context';
import { followAt } from '../reading/follow-names';
import { foldAll, foldToLevel, toggleBranch, toggleFold } from '../reading/folding';
import { runOutline } from '../editing/outline-keys';
import { actOnSelected, convertLines, cursorLine, openTail, repairLine, selectedTasks, takeOffered, tasksMade } from './task-commands';
import { toggleRecords } from '../reading/record-folds';
import { shiftItem } from './task-keys';
import { nextHeading, toggleMark } from '../look/text-marks';
import { acceptCompletion, startCompletion } from '@codemirror/autocomplete';

/** What the commands of a text need beside the text. */
export interface TextHost {
  context: () => ActionContext;
  /** Ticks the tasks on some lines (from 0), as one step. */
  tick: (lines: readonly number[]) => void;
  /** Raises the priority of the task on a line (from 0). */
  raise: (line: number) => void;
  /** Shows the details of the task on a line (from 0). */
  details: (line: number) => void;
  /** Asks for one day, or for names, for all of these tasks. */
  dates: (tasks: readonly Task[], what: DayAsked) => void;
  names: (tasks: readonly Task[]) => void;
  /** Asks for a word to be written under all of these tasks when they are closed. */
  remark: (tasks: readonly Task[], status: 'done' | 'cancelled') => void;
  closeUp: (line: number) => void;
  wider: () => void;
  insertMenu: () => void;
  /** Makes a page for a person. */
  makePerson: (handle: string) => void;
  told: (reason: string) => void;
  /** Takes back what happened last, in this text or by an action; false when nothing did. */
  undo: () => boolean;
  redo: () => boolean;
}

/** Runs a command of the text by its id, on the lines of the selection; whether it did anything. */
export function runTextCommand(view: EditorView, id: string, host: TextHost): boolean {
  const line = cursorLine(view);
  switch (id) {
    case 'text-tick': {
      const tasks = selectedTasks(view);
      // A line that is no task becomes one; the next press ticks it.
      if (tasks.length === 0) return convertLines(view, host.context());
      host.tick(tasks.map((task) => task.line));
      return true;
    }
    case 'text-done-remark':
    case 'text-cancel-remark': {
      const tasks = selectedTasks(view);
      if (tasks.length > 0) host.remark(tasks, id === 'text-done-remark' ? 'done' : 'cancelled');
      return tasks.length > 0;
    }
    case 'text-task':
      return convertLines(view, host.context());
    case 'text-cycle':
      return tasksMade(view, host.context()).length > 0 && actOnSelected(view, { do: 'cycle' }, host.context(), host.told);
    case 'text-raise':
      return tasksMade(view, host.context()).length > 0 && actOnSelected(view, { do: 'raise' }, host.context(), host.told);
    case 'text-lower':
      return tasksMade(view, host.context()).length > 0 && actOnSelected(view, { do: 'lower' }, host.context(), host.told);
    case 'text-tail': {
      // Several lines get one date together; a single one is written in place.
      const tasks = tasksMade(view, host.context());
      if (tasks.length > 1) {
        host.dates(tasks, 'due');
        return true;
      }
      return openTail(view) && (startCompletion(view), true);
    }
    case 'text-names': {
      const tasks = selectedTasks(view);
      if (tasks.length > 0) host.names(tasks);
      return tasks.length > 0;
    }
    case 'text-take':
      return takeOffered(view, host.context());
    case 'text-details': {
      const [task] = selectedTasks(view);
      if (!task) return false;
      host.details(task.line);
      return true;
    }
    case 'text-in':
      // What completion offers is meant first.
      return acceptCompletion(view) || shiftItem(view, 'in');
    case 'text-out':
      return shiftItem(view, 'out');
    case 'text-up':
      return runOutline(view, 'up');
    case 'text-down':
      return runOutline(view, 'down');
    case 'text-duplicate':
      return runOutline(view, 'duplicate');
    case 'text-delete':
      return runOutline(view, 'delete');
    case 'text-fold':
      return toggleFold(view, line) || toggleRecords(view, line);
    case 'text-fold-branch':
      return toggleBranch(view, line);
    case 'text-fold-all':
      return foldAll(view, true);
    case 'text-fold-level-1':
    case 'text-fold-level-2':
    case 'text-fold-level-3':
      return foldToLevel(view, Number(id.slice(-1)));
    case 'text-unfold-all':
      return foldAll(view, false);
    case 'text-close-up':
      host.closeUp(line);
      return true;
    case 'text-wider':
      host.wider();
      return true;
    case 'text-find':
      return openSearchPanel(view);
    case 'text-follow':
      return followAt(view, view.state.selection.main.head);
    case 'text-bold':
      return toggleMark(view, '**');
    case 'text-italic':
      return toggleMark(view, '*');
    case 'text-strike':
      return toggleMark(view, '~~');
    case 'text-code':
      return toggleMark(view, '`');
    case 'text-heading':
      if (nextHeading(view)) return true;
      host.told('Only a line of its own can become a heading: an item of a list, a quote or code cannot.');
      return true;
    case 'text-insert':
      host.insertMenu();
      return true;
    case 'text-repair':
      return repairLine(view, host.context(), view.state.facet(editorContext).knownPeople, host.makePerson);
    case 'undo':
      return host.undo();
    case 'redo':
      return host.redo();
    default:
      return false;
  }
}
