import type { EditorView } from '@codemirror/view';
import { readSpokenDates, wordsWithout } from '../../core/calendar/spoken-date';
import { actOnEach, actOnMany } from '../../core/task/act';
import type { ActionContext } from '../../core/task/action-context';
import type { Change } from '../../core/task/edit';
import type { Intention } from '../../core/task/intention';
import { spanText } from '../../core/task/shift-dates';
import type { Task } from '../../core/task/task';
import { withClause } from '../../core/task/write-tail';
import { noteNow } from './note-field';
import { repairOf } from './repair';

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
  const line = view.state.doc.lineAt(view.state.selection.main.head).number - 1;
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
export function actOnSelected(view: EditorView, intention: Intention, context: ActionContext, told: (reason: string) => void): boolean {
  const refs = selectedTasks(view).map((task) => ({ line: task.line, expected: task.raw }));
  if (refs.length === 0) return false;
  const outcome = actOnMany(view.state.doc.toString(), refs, intention, context);
  if ('refused' in outcome) {
    told(outcome.refused);
    return true;
  }
  change(view, outcome.changes, 'input.act');
  return true;
}

/** Makes tasks of the selected lines; where all are tasks already, plain items again. Empty lines begin one. */
export function convertLines(view: EditorView, context: ActionContext): boolean {
  const { doc } = view.state;
  const note = noteNow(view.state);
  const lines = selectedLines(view).filter((line) => doc.line(line + 1).text.trim() !== '');
  if (lines.length === 0) {
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
  return change(view, actOnEach(doc.toString(), refs, { do: 'convert' }, context), 'input.act');
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

/** A date that stands at the end of a task's words and can be taken into its tail. */
export interface OfferedDate {
  /** Where its words stand in the line. */
  from: number;
  to: number;
  /** The clause it would become. */
  clause: string;
}

/** The words at the end of a task that read as a date, which one key takes into the tail; null when they do not. */
export function offeredDate(line: string, task: Task, context: ActionContext): OfferedDate | null {
  const start = task.boxFrom + task.sign.length + 2;
  const words = line.slice(start, Math.min(task.tailFrom, line.length));
  const options = {
    today: context.now.day,
    minute: context.now.minute,
    firstDayOfWeek: context.settings.firstDayOfWeek,
    bareDay: 'due' as const,
  };
  const found = readSpokenDates(words, options);
  const last = found.at(-1);
  if (!last || words.slice(last.to).trim() !== '' || wordsWithout(words, [last]).trim() === '') return null;
  const { role, day, minute, is } = last;
  const length = is === 'week' ? 6 : is === 'month' ? 27 : 0;
  const name = is === 'day' ? role : role === 'due' ? 'plan' : role;
  const value = spanText({ from: day, to: day + length, minute: length === 0 ? minute : null });
  return { from: start + last.from, to: start + last.to, clause: `${name} ${value}` };
}

/** Takes the date at the end of the words into the tail. */
export function takeDate(view: EditorView, context: ActionContext): boolean {
  const { state } = view;
  const line = state.doc.line(cursorLine(view) + 1);
  const task = noteNow(state).tasks.findLast((one) => one.line === line.number - 1);
  const offered = task && offeredDate(line.text, task, context);
  if (!task || !offered) return false;
  const before = line.text.slice(0, offered.from).trimEnd();
  const behind = line.text.slice(offered.to);
  const [name = ''] = offered.clause.split(' ');
  const next = withClause(before + behind, task.boxFrom, name as 'due', offered.clause);
  view.dispatch({
    changes: { from: line.from, to: line.to, insert: next },
    selection: { anchor: line.from + before.length },
    userEvent: 'input.complete',
  });
  return true;
}

/**
 * Repairs what can be repaired on the line: words in its tail become dates, and who is named without a page gets one.
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
