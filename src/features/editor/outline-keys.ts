import type { EditorView } from '@codemirror/view';
import { type OutlineCommand, outlineEdit } from '../../core/note/outline-edits';

/** Does an outline command at the cursor, with everything under the item or heading; whether it could. */
export function runOutline(view: EditorView, command: OutlineCommand): boolean {
  const { state } = view;
  const at = state.doc.lineAt(state.selection.main.head);
  const edit = outlineEdit(state.doc.toString(), at.number - 1, command);
  if (!edit) return false;
  const first = state.doc.line(edit.first + 1);
  const last = state.doc.line(edit.last + 1);
  const column = state.selection.main.head - at.from;
  let { from } = first;
  let { to } = last;
  const insert = edit.lines.join('\n');
  // Lines that go take one of their line breaks along.
  if (edit.lines.length === 0) {
    if (to < state.doc.length) to++;
    else if (from > 0) from--;
  }
  view.dispatch({ changes: { from, to, insert }, userEvent: command === 'delete' ? 'delete.outline' : 'move.line', scrollIntoView: true });
  const line = view.state.doc.line(Math.min(edit.line + 1, view.state.doc.lines));
  const moved =
    command === 'in' || command === 'out' ? Math.max(0, column + (edit.lines[edit.line - edit.first]?.length ?? 0) - at.length) : column;
  view.dispatch({ selection: { anchor: line.from + Math.min(moved, line.length) }, scrollIntoView: true });
  return true;
}
