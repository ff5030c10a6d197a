import type { EditorState } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { readTail } from '../../../core/task/line/tail';
import { noteNow } from '../reading/note-field';
import { openTail } from '../commands/task-commands';

/**
 * What is typed behind the tail of a task or a key point goes to the end of its words, and what is typed right before its brace keeps a space there:
 * either would switch the tail off. A brace behind it opens the tail that is there. What is composed is brought there when it is whole (`composed-beside-tail.ts`).
 */
export const besideTail = EditorView.inputHandler.of((view, from, to, text) => {
  const { state } = view;
  if (from !== to || view.composing || state.readOnly) return false;
  const line = state.doc.lineAt(from);
  const column = from - line.from;
  // Most letters stand beside no tail, and need no reading of the note.
  const isBefore = line.text.charAt(column) === '{';
  const isBehind = line.text.slice(0, column).trimEnd().endsWith('}');
  if (!isBefore && !isBehind) return false;
  const tail = tailOf(state, line.number - 1, line.text);
  if (!tail) return false;
  const type = (at: number, insert: string, cursor = insert.length): boolean => {
    view.dispatch({
      changes: { from: line.from + at, insert },
      selection: { anchor: line.from + at + cursor },
      userEvent: 'input.type',
      scrollIntoView: true,
    });
    return true;
  };
  if (column === tail.from) return /\s$/.test(text) ? false : type(column, `${text} `, text.length);
  if (column < tail.to) return false;
  if (text === '{') return openTail(view);
  // A word that was not begun with a space is another one all the same: chips stood between.
  return type(line.text.slice(0, tail.from).trimEnd().length, /^\s/.test(text) ? text : ` ${text}`);
});

/** Where the tail of a task or a key point stands in its line; null where it has none. */
export function tailOf(state: EditorState, index: number, text: string): { from: number; to: number } | null {
  const { tasks, structure } = noteNow(state);
  const here = (one: { line: number }): boolean => one.line === index;
  const wordsFrom = tasks.findLast(here)?.boxFrom ?? structure.items.findLast(here)?.wordsFrom ?? -1;
  return wordsFrom < 0 ? null : readTail(text, wordsFrom);
}
