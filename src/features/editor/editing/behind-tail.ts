import { EditorView } from '@codemirror/view';
import { readTail } from '../../../core/task/line/tail';
import { noteNow } from '../reading/note-field';
import { openTail } from '../commands/task-commands';

/**
 * What is typed behind the tail of a task or a key point goes to the end of its words: behind the tail it would switch it off. A brace opens the tail
 * that is there.
 */
export const behindTail = EditorView.inputHandler.of((view, from, to, text) => {
  const { state } = view;
  if (from !== to || view.composing || state.readOnly) return false;
  const line = state.doc.lineAt(from);
  // Most letters stand behind no tail, and need no reading of the note.
  if (
    !line.text
      .slice(0, to - line.from)
      .trimEnd()
      .endsWith('}')
  )
    return false;
  const { tasks, structure } = noteNow(state);
  const here = (one: { line: number }): boolean => one.line === line.number - 1;
  const wordsFrom = tasks.findLast(here)?.boxFrom ?? structure.items.findLast(here)?.wordsFrom ?? -1;
  const tail = wordsFrom < 0 ? null : readTail(line.text, wordsFrom);
  if (!tail || from - line.from < tail.to) return false;
  if (text === '{') return openTail(view);
  const words = line.text.slice(0, tail.from).trimEnd();
  // A word that was not begun with a space is another one all the same: chips stood between.
  const insert = /^\s/.test(text) ? text : ` ${text}`;
  const at = line.from + words.length;
  view.dispatch({
    changes: { from: at, insert },
    selection: { anchor: at + insert.length },
    userEvent: 'input.type',
    scrollIntoView: true,
  });
  return true;
});
