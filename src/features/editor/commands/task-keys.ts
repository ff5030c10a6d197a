import { insertNewlineContinueMarkup } from '@codemirror/lang-markdown';
import type { EditorView, KeyBinding } from '@codemirror/view';
import { COMMANDS, type TextCommandId } from '../../commands/definitions';
import { readTail } from '../../../core/task/line/tail';
import { noteNow } from '../reading/note-field';
import { runOutline } from '../editing/outline-keys';
import { selectedLines } from './task-commands';

/** Enter on a task begins the next one; on an empty task it goes out one level, and ends the list at the outermost. */
function continueTasks(view: EditorView): boolean {
  const { state } = view;
  const { main } = state.selection;
  if (!main.empty || state.selection.ranges.length > 1) return false;
  const line = state.doc.lineAt(main.head);
  const task = noteNow(state).tasks.find((one) => one.line === line.number - 1);
  if (!task) return false;
  const column = main.head - line.from;
  if (column < task.boxFrom + task.sign.length + 2) return false;
  if (task.text === '' && task.tailFrom === line.length) {
    if (task.depth > 0 && runOutline(view, 'out')) return true;
    const from = line.from + (/^[\s>]*/.exec(line.text)?.[0].trimEnd().length ?? 0);
    view.dispatch({ changes: { from, to: line.to }, selection: { anchor: from }, userEvent: 'input' });
    return true;
  }
  // A cursor before the tail leaves it where it is: the tail belongs to the words before it.
  const at = isBeforeTail(line.text, column, task.tailFrom) ? line.to : main.head;
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

/** Whether only the tail of a line stands behind the cursor; it begins at the end of a line that has none. */
const isBeforeTail = (line: string, column: number, tailFrom: number): boolean =>
  tailFrom < line.length && line.slice(column).trim() === line.slice(tailFrom).trim();

/** Enter before the tail of a key point that is no task leaves it there, too. */
function continueItems(view: EditorView): boolean {
  const { state } = view;
  const { head, empty } = state.selection.main;
  const line = state.doc.lineAt(head);
  const item = empty ? noteNow(state).structure.items.findLast((one) => one.line === line.number - 1) : undefined;
  const tail = item && readTail(line.text, item.wordsFrom);
  if (tail && isBeforeTail(line.text, head - line.from, tail.from)) view.dispatch({ selection: { anchor: line.to } });
  return insertNewlineContinueMarkup(view);
}

/** The marker of the next item: the same bullet, or the next number. */
function nextMarker(before: string): string {
  return before.replace(/(\d{1,9})([.)]\s*)$/, (_, digits: string, rest: string) => `${Number(digits) + 1}${rest}`);
}

/** In a list it moves the item with what is under it. */
export function shiftItem(view: EditorView, command: 'in' | 'out'): boolean {
  const lines = new Set(selectedLines(view));
  const inList = noteNow(view.state).structure.items.some((item) => lines.has(item.line));
  // At the end of its way an item stays; the focus stays with it.
  return inList && (runOutline(view, command) || true);
}

/** Backspace before the words of an item takes its box away, then its bullet, then its indent, each whole. */
function eraseMarks(view: EditorView): boolean {
  const { state } = view;
  const { main } = state.selection;
  if (!main.empty || state.selection.ranges.length > 1) return false;
  const line = state.doc.lineAt(main.head);
  const [, indent = '', marker = '', box = ''] = /^([ \t]*)((?:[-*+]|\d{1,9}[.)])[ \t]+)?(\[[^\]\n]\][ \t]?)?/.exec(line.text) ?? [];
  const column = main.head - line.from;
  if (column === 0 || column !== indent.length + marker.length + box.length) return false;
  const note = noteNow(state);
  const here = (one: { line: number }): boolean => one.line === line.number - 1;
  // In code and comments these are only letters.
  if (marker !== '' && !note.structure.items.some(here)) return false;
  if (box !== '' && !note.tasks.some(here)) return false;
  const from = line.from + (box !== '' ? indent.length + marker.length : marker !== '' ? indent.length : 0);
  view.dispatch({ changes: { from, to: main.head }, selection: { anchor: from }, userEvent: 'delete.backward' });
  return true;
}

/** Keys that belong to writing itself. */
export const writingKeys: KeyBinding[] = [
  { key: 'Enter', run: (view) => continueTasks(view) || continueItems(view) },
  { key: 'Backspace', run: eraseMarks },
];

/** Does again in a text what was undone, as many hands expect, unless it is the key of something else. */
const REDO_TOO = 'Mod+Shift+z';

/**
 * The keys of the commands of texts, as the settings say. One that has nothing to do does nothing: never what the editor or the page
 * would make of it. Tab leaves the text after Escape, which the editor sees to.
 */
export function commandKeys(keys: ReadonlyMap<string, string | null>, run: (view: EditorView, id: TextCommandId) => boolean): KeyBinding[] {
  const taken = new Set(keys.values());
  return COMMANDS.flatMap((command): KeyBinding[] => {
    // Undo and Redo work everywhere, but in a text at its cursor first.
    if (command.scope !== 'text' && command.id !== 'undo' && command.id !== 'redo') return [];
    const { id } = command;
    const own = [keys.get(id) ?? null, id === 'redo' && !taken.has(REDO_TOO) ? REDO_TOO : null];
    return own.flatMap((key) =>
      key === null ? [] : [{ key: key.replaceAll('+', '-'), run: (view: EditorView) => run(view, id) || true }],
    );
  });
}
