import { insertNewlineContinueMarkup } from '@codemirror/lang-markdown';
import { indentLess, indentMore } from '@codemirror/commands';
import type { EditorView, KeyBinding } from '@codemirror/view';
import { editorContext } from './editor-context';
import { noteField } from './note-field';

/** Enter on a task begins the next one; on an empty task it ends the list. */
function continueTasks(view: EditorView): boolean {
  const { state } = view;
  const { main } = state.selection;
  if (!main.empty || state.selection.ranges.length > 1) return false;
  const line = state.doc.lineAt(main.head);
  const task = state.field(noteField).tasks.find((one) => one.line === line.number - 1);
  if (!task) return false;
  const column = main.head - line.from;
  if (column < task.boxFrom + task.sign.length + 2) return false;
  if (task.text === '' && task.tailFrom === line.length) {
    const from = line.from + (/^[\s>]*/.exec(line.text)?.[0].trimEnd().length ?? 0);
    view.dispatch({ changes: { from, to: line.to }, selection: { anchor: from }, userEvent: 'input' });
    return true;
  }
  // A cursor before the tail leaves it where it is: the tail belongs to the words before it.
  const words = line.text.slice(column);
  const at = task.tailFrom < line.length && words.trim() === line.text.slice(task.tailFrom).trim() ? line.to : main.head;
  const rest = line.text.slice(at - line.from).trimStart();
  const marker = nextMarker(line.text.slice(0, task.boxFrom));
  const insert = `\n${marker}[ ] ${rest}`;
  view.dispatch({
    changes: { from: at, to: line.to, insert },
    selection: { anchor: at + insert.length - rest.length },
    scrollIntoView: true,
    userEvent: 'input',
  });
  return true;
}

/** The marker of the next item: the same bullet, or the next number. */
function nextMarker(before: string): string {
  return before.replace(/(\d{1,9})([.)]\s*)$/, (_, digits: string, rest: string) => `${Number(digits) + 1}${rest}`);
}

/** Ticks every task that the selection touches. */
function tickLines(view: EditorView): boolean {
  const { state } = view;
  const { from, to } = state.selection.main;
  const first = state.doc.lineAt(from).number - 1;
  const last = state.doc.lineAt(to).number - 1;
  const tasks = state.field(noteField).tasks.filter((task) => task.line >= first && task.line <= last);
  for (const task of tasks) state.facet(editorContext).tick(task.line);
  return tasks.length > 0;
}

/** In a list Tab indents the item; elsewhere it leaves the editor, as Escape and Tab always do. */
function indentItem(view: EditorView, command: (view: EditorView) => boolean): boolean {
  const line = view.state.doc.lineAt(view.state.selection.main.head).number - 1;
  return view.state.field(noteField).structure.items.some((item) => item.line === line) && command(view);
}

export const taskKeys: KeyBinding[] = [
  { key: 'Enter', run: (view) => continueTasks(view) || insertNewlineContinueMarkup(view) },
  { key: 'Mod-Enter', run: tickLines },
  { key: 'Tab', run: (view) => indentItem(view, indentMore), shift: (view) => indentItem(view, indentLess) },
];
