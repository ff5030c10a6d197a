import type { EditorView } from '@codemirror/view';
import { openSearchPanel } from '@codemirror/search';
import type { Intention } from '../../../core/task/acts/intention';
import type { TextCommandId } from '../../commands/definitions';
import { editorContext } from '../reading/editor-context';
import { followAt } from '../reading/follow-names';
import { foldAll, foldToLevel, toggleBranch, toggleFold } from '../folding/folding';
import { runOutline } from '../editing/outline-keys';
import { actOnSelected, convertLines, cursorLine, openTail, repairLine, selectedTasks, takeOffered, tasksMade } from './task-commands';
import { toggleRecords } from '../folding/record-folds';
import { giveLines, markKeyPoints, markQuestions, raiseLines, setAside } from './mark-lines';
import { shiftItem } from './task-keys';
import type { TextHost } from './text-host';
import { nextHeading, toggleMark } from '../look/text-marks';
import { acceptCompletion, startCompletion } from '@codemirror/autocomplete';

type TextRun = (view: EditorView, host: TextHost) => boolean;

const onTasks =
  (intention: Intention): TextRun =>
  (view, host) =>
    tasksMade(view, host.context()).length > 0 && actOnSelected(view, intention, host.context(), host.told);

const withRemark =
  (status: 'done' | 'cancelled'): TextRun =>
  (view, host) => {
    const tasks = selectedTasks(view);
    if (tasks.length > 0) host.remark(tasks, status);
    return tasks.length > 0;
  };

const done =
  (run: (view: EditorView, host: TextHost) => void): TextRun =>
  (view, host) => {
    run(view, host);
    return true;
  };

/** What each command does on the lines of the selection; whether it did anything. */
const RUNS: { readonly [Id in TextCommandId]: TextRun } = {
  'text-tick': (view, host) => {
    const tasks = selectedTasks(view);
    // A line that is no task becomes one; the next press ticks it.
    if (tasks.length === 0) return convertLines(view, host.context());
    host.tick(tasks.map((task) => task.line));
    return true;
  },
  'text-done-remark': withRemark('done'),
  'text-cancel-remark': withRemark('cancelled'),
  'text-task': (view, host) => convertLines(view, host.context()),
  'text-cycle': onTasks({ do: 'cycle' }),
  'text-meeting': done((view, host) => host.makeMeeting(cursorLine(view))),
  'text-raise': onTasks({ do: 'raise' }),
  'text-lower': onTasks({ do: 'lower' }),
  'text-tail': (view, host) => {
    // Several lines get one date together; a single one is written in place.
    const tasks = tasksMade(view, host.context());
    if (tasks.length > 1) {
      host.dates(tasks, 'due');
      return true;
    }
    return openTail(view) && (startCompletion(view), true);
  },
  'text-names': (view, host) => {
    const tasks = selectedTasks(view);
    if (tasks.length > 0) host.names(tasks);
    return tasks.length > 0;
  },
  'text-onto': (view, host) => {
    const tasks = selectedTasks(view);
    if (tasks.length > 0) host.onto(tasks);
    return tasks.length > 0;
  },
  'text-take': (view, host) => takeOffered(view, host.context()),
  'text-details': (view, host) => {
    const [task] = selectedTasks(view);
    if (!task) return false;
    host.details(task.line);
    return true;
  },
  // What completion offers is meant first.
  'text-in': (view) => acceptCompletion(view) || shiftItem(view, 'in'),
  'text-out': (view) => shiftItem(view, 'out'),
  'text-up': (view) => runOutline(view, 'up'),
  'text-down': (view) => runOutline(view, 'down'),
  'text-duplicate': (view) => runOutline(view, 'duplicate'),
  'text-delete': (view) => runOutline(view, 'delete'),
  'text-fold': (view) => toggleFold(view, cursorLine(view)) || toggleRecords(view, cursorLine(view)),
  'text-fold-branch': (view) => toggleBranch(view, cursorLine(view)),
  'text-fold-all': (view) => foldAll(view, true),
  'text-fold-level-1': (view) => foldToLevel(view, 1),
  'text-fold-level-2': (view) => foldToLevel(view, 2),
  'text-fold-level-3': (view) => foldToLevel(view, 3),
  'text-unfold-all': (view) => foldAll(view, false),
  'text-close-up': done((view, host) => host.closeUp(cursorLine(view))),
  'text-wider': done((_view, host) => host.wider()),
  'text-lend': done((view, host) => host.lend(cursorLine(view))),
  'text-take-out': done((view, host) => host.takeOut(cursorLine(view))),
  'text-find': openSearchPanel,
  'text-follow': (view) => followAt(view, view.state.selection.main.head),
  'text-card': (_view, host) => host.card(),
  'text-bold': (view) => toggleMark(view, '**'),
  'text-italic': (view) => toggleMark(view, '*'),
  'text-strike': (view) => toggleMark(view, '~~'),
  'text-code': (view) => toggleMark(view, '`'),
  'text-heading': (view, host) => {
    if (!nextHeading(view)) host.told('Only a line of its own can become a heading: an item of a list, a quote or code cannot.');
    return true;
  },
  'text-insert': done((_view, host) => host.insertMenu()),
  'text-note': (view, host) => {
    const { from, to } = view.state.selection.main;
    const line = view.state.doc.lineAt(from);
    const words = view.state.sliceDoc(from, to).trim();
    // A title is part of one line, and has none of the signs that a link ends with.
    if (words === '' || to > line.to || /[[\]|#]/.test(words)) {
      host.told('Select some words of a line, without brackets: they become the title of the new note.');
      return true;
    }
    view.dispatch({
      changes: { from, to, insert: `[[${words}]]` },
      selection: { anchor: from + words.length + 4 },
      userEvent: 'input.act',
    });
    host.makeNote(words, line.number - 1);
    return true;
  },
  'text-key': markKeyPoints,
  'text-question': markQuestions,
  'text-give': giveLines,
  'text-to-raise': raiseLines,
  'text-not-now': setAside,
  'text-repair': (view, host) => repairLine(view, host.context(), view.state.facet(editorContext).knownPeople, host.makePerson),
  undo: (_view, host) => host.undo(),
  redo: (_view, host) => host.redo(),
};

/** Runs a command of the text by its id, on the lines of the selection; whether it did anything. */
export const runTextCommand = (view: EditorView, id: TextCommandId, host: TextHost): boolean => RUNS[id](view, host);
