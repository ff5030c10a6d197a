import type { EditorView } from '@codemirror/view';
import { type SpokenClause, partsOffered, waitingOffered } from '../../../core/slip/spoken-task';
import { signOf } from '../../../core/task/line/status';
import { actOnEach, actOnMany } from '../../../core/task/acts/act';
import type { ActionContext } from '../../../core/task/acts/action-context';
import type { Change } from '../../../core/task/writing/edit';
import type { Intention } from '../../../core/task/acts/intention';
import { LineKind } from '../../../core/note/blocks/structure';
import type { Task } from '../../../core/task/line/task';
import { withClause } from '../../../core/task/writing/write-tail';
import { noteNow } from '../reading/note-field';
import { repairOf } from '../editing/repair';
import { lineOfCursor } from '../reading/cursor-line';

/** The lines (from 0) that the selection touches. */
export function selectedLines(view: EditorView): number[] {
  const { doc, selection } = view.state;
  const first = doc.lineAt(selection.main.from).number - 1;
  const end = doc.lineAt(selection.main.to);
  // A selection that ends at the start of a line does not mean that line.
  const last = selection.main.to === end.from && !selection.main.empty ? end.number - 2 : end.number - 1;
  return Array.from({ length: Math.max(1, last - first + 1) }, (_, index) => first + index);
}

/** The line (from 0) that the cursor means: where a selection ends at the start of a line, the one before it. */
export function cursorLine(view: EditorView): number {
  const line = lineOfCursor(view.state);
  const lines = selectedLines(view);
  return lines.includes(line) ? line : (lines.at(-1) ?? line);
}

/** The tasks on the selected lines. */
export function selectedTasks(view: EditorView): Task[] {
  const lines = new Set(selectedLines(view));
  return noteNow(view.state).tasks.filter((task) => lines.has(task.line));
}

/** Does changes to the text as one step that the editor's Undo takes back, and keeps the cursor where it was in its line. */
function change(view: EditorView, changes: readonly Change[], userEvent: string): boolean {
  if (changes.length === 0) return false;
  view.dispatch({ changes: [...changes], userEvent, scrollIntoView: true });
  return true;
}

/** Does an intention to every task that the selection touches, in one step. */
export const actOnSelected = (view: EditorView, intention: Intention, context: ActionContext, told: (reason: string) => void): boolean =>
  actOnTasks(view, selectedTasks(view), intention, context, told);

/** Does an intention to some tasks of the text, in one step. */
export function actOnTasks(
  view: EditorView,
  tasks: readonly Pick<Task, 'line' | 'raw'>[],
  intention: Intention,
  context: ActionContext,
  told: (reason: string) => void,
): boolean {
  const refs = tasks.map((task) => ({ line: task.line, expected: task.raw }));
  if (refs.length === 0) return false;
  const outcome = actOnMany(view.state.doc.toString(), refs, intention, context);
  if ('refused' in outcome) {
    told(outcome.refused);
    return true;
  }
  change(view, outcome.changes, 'input.act');
  return true;
}

/** Raises the priority of the task on a line (from 0); behind top comes low. */
export function raiseLine(view: EditorView, line: number, context: ActionContext): void {
  const expected = view.state.doc.line(line + 1).text;
  const outcome = actOnMany(view.state.doc.toString(), [{ line, expected }], { do: 'raise', wraps: true }, context);
  if ('changes' in outcome) change(view, outcome.changes, 'input.act');
}

/** The selected tasks; where none is selected, the lines become tasks first. */
export function tasksMade(view: EditorView, context: ActionContext): Task[] {
  const present = selectedTasks(view);
  if (present.length > 0) return present;
  return convertLines(view, context) ? selectedTasks(view) : [];
}

/** Makes tasks of the selected lines; where all are tasks already, plain items again. Empty lines begin one. */
export function convertLines(view: EditorView, context: ActionContext): boolean {
  const { doc } = view.state;
  const note = noteNow(view.state);
  const lines = selectedLines(view).filter((line) => doc.line(line + 1).text.trim() !== '');
  if (lines.length === 0) {
    if (note.structure.kinds[cursorLine(view)] !== LineKind.blank) return false;
    const line = doc.line(cursorLine(view) + 1);
    const indent = /^\s*/.exec(line.text)?.[0] ?? '';
    view.dispatch({
      changes: { from: line.from, to: line.to, insert: `${indent}- [ ] ` },
      selection: { anchor: line.from + indent.length + 6 },
      userEvent: 'input',
    });
    return true;
  }
  const tasks = new Set(note.tasks.map((task) => task.line));
  const all = lines.every((line) => tasks.has(line));
  // A line that is a task already stays when others become tasks.
  const refs = lines.filter((line) => all || !tasks.has(line)).map((line) => ({ line, expected: doc.line(line + 1).text }));
  const changes = view.state.changes(actOnEach(doc.toString(), refs, { do: 'convert' }, context));
  if (changes.empty) return false;
  // A cursor before the words stays before them, behind the box.
  view.dispatch({ changes, selection: view.state.selection.map(changes, 1), userEvent: 'input.act', scrollIntoView: true });
  return true;
}

/** Opens a tail at the end of the task line, or puts the cursor into the one that is there, so that clauses are offered. */
export function openTail(view: EditorView): boolean {
  const { state } = view;
  const [task] = selectedTasks(view);
  if (!task) return false;
  const line = state.doc.line(task.line + 1);
  const open = task.tailFrom < line.text.length;
  if (open) {
    const end = line.from + line.text.lastIndexOf('}');
    view.dispatch({ changes: { from: end, insert: '; ' }, selection: { anchor: end + 2 }, userEvent: 'input.complete' });
    return true;
  }
  const gap = /\s$/.test(line.text) ? '' : ' ';
  view.dispatch({
    changes: { from: line.to, insert: `${gap}{}` },
    selection: { anchor: line.to + gap.length + 1 },
    userEvent: 'input.complete',
  });
  return true;
}

/** Words of a task that can be taken into its tail. */
export interface Offered {
  /** Where each part stands in the line, in order. */
  parts: readonly { from: number; to: number }[];
  clauses: readonly SpokenClause[];
  /** Whether they say that one waits for somebody. */
  waits: boolean;
}

/** The words of a task that read as dates, a repeat, a length, a priority, somebody, or that one waits; null when none do. */
export function offeredWords(line: string, task: Task, context: ActionContext): Offered | null {
  const start = task.boxFrom + task.sign.length + 2;
  const words = line.slice(start, Math.min(task.tailFrom, line.length));
  const parts = partsOffered(words, context);
  const waits = task.status === 'todo' ? waitingOffered(words) : 0;
  const places = waits > 0 ? [{ from: words.length - words.trimStart().length, to: waits }, ...parts] : parts;
  if (places.length === 0) return null;
  return {
    parts: places.map(({ from, to }) => ({ from: start + from, to: start + to })),
    clauses: parts.flatMap(({ clauses }) => clauses),
    waits: waits > 0,
  };
}

/** Takes all that is offered into the tail. */
export function takeOffered(view: EditorView, context: ActionContext): boolean {
  const { state } = view;
  const line = state.doc.line(cursorLine(view) + 1);
  const task = noteNow(state).tasks.findLast((one) => one.line === line.number - 1);
  const offered = task && offeredWords(line.text, task, context);
  if (!task || !offered) return false;
  let rest = line.text;
  for (const { from, to } of offered.parts.toReversed()) {
    // A comma or colon behind the words goes with them; all other signs and spaces stay.
    const behind = rest.slice(to).replace(/^\s*[,;:]/, '');
    rest = rest.slice(0, from).trimEnd() + (/^\s|^$/.test(behind) ? behind : ` ${behind}`);
  }
  const end = rest.slice(0, task.tailFrom - (line.text.length - rest.length)).trimEnd().length;
  const tailed = offered.clauses.reduce((text, clause) => withClause(text, task.boxFrom, clause.name, clause.words), rest);
  // Since when one waits is written when the line is left, as for a sign that is typed.
  const next = offered.waits
    ? tailed.slice(0, task.boxFrom + 1) + signOf('waiting') + tailed.slice(task.boxFrom + 1 + task.sign.length)
    : tailed;
  view.dispatch({
    changes: { from: line.from, to: line.to, insert: next },
    selection: { anchor: line.from + end },
    userEvent: 'input.complete',
  });
  return true;
}

/**
 * Repairs what can be repaired on the line: what is wrong with its tail, and who is named without a page gets one.
 *
 * @param known the folded handles of the people who have a page; null where nobody has one
 */
export function repairLine(
  view: EditorView,
  context: ActionContext,
  known: ReadonlySet<string> | null,
  makePage: (person: string) => void,
): boolean {
  const line = view.state.doc.line(cursorLine(view) + 1);
  const task = noteNow(view.state).tasks.findLast((one) => one.line === line.number - 1);
  const repair = task ? repairOf(line.text, task, context, known) : null;
  if (!repair) return false;
  if (repair.is === 'page') makePage(repair.person);
  else
    view.dispatch({
      changes: { from: line.from, to: line.to, insert: repair.line },
      selection: { anchor: line.from + repair.line.length },
      userEvent: 'input.act',
    });
  return true;
}
