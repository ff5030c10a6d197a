import { foldEffect, foldedRanges } from '@codemirror/language';
import type { ChangeSpec, EditorState, StateEffect } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { type OutlineCommand, type OutlineEdit, outlineEdit } from '../../core/note/outline-edits';

/** Does an outline command at the cursor, with everything under the item or heading; whether it could. */
export function runOutline(view: EditorView, command: OutlineCommand): boolean {
  const { state } = view;
  const line = state.doc.lineAt(state.selection.main.head).number - 1;
  const edit = outlineEdit(state.doc.toString(), line, command);
  if (edit) writeOutline(view, edit, line, command === 'delete' ? 'delete.outline' : 'move.line');
  return edit !== null;
}

/**
 * Writes an outline edit into the text; the cursor stays among the same letters, and what is folded stays folded.
 *
 * @param line the line (from 0) on which it was asked for
 */
export function writeOutline(view: EditorView, edit: OutlineEdit, line: number, userEvent: string): void {
  const { state } = view;
  const { doc, selection } = state;
  const old = doc.line(line + 1);
  const head = Math.min(Math.max(selection.main.head, old.from), old.to);
  const changes = changeOf(state, edit);
  const after = state.changes(changes).apply(doc);
  const place = after.line(Math.min(edit.line + 1, after.lines));
  view.dispatch({
    changes,
    // A line that moved may stand further in or out: its end is what stays.
    selection: {
      anchor: edit.lines.length === 0 ? Math.min(place.to, place.from + head - old.from) : Math.max(place.from, place.to - (old.to - head)),
    },
    effects: foldsAfter(state, edit),
    userEvent,
    scrollIntoView: true,
  });
}

function changeOf({ doc }: EditorState, { first, last, lines }: OutlineEdit): ChangeSpec {
  let { from } = doc.line(first + 1);
  let { to } = doc.line(last + 1);
  // Lines that go take one of their line breaks along.
  if (lines.length === 0) {
    if (to < doc.length) to++;
    else if (from > 0) from--;
  }
  return { from, to, insert: lines.join('\n') };
}

/** The folds among the lines of an edit, where those lines come to stand. */
function foldsAfter(state: EditorState, { first, last, lines, sources }: OutlineEdit): StateEffect<{ from: number; to: number }>[] {
  const { doc } = state;
  const start = doc.line(first + 1).from;
  const ends: number[] = [];
  for (let index = 0, at = start; index < lines.length; index++) {
    ends.push(at + (lines[index] ?? '').length);
    at = (ends[index] ?? 0) + 1;
  }
  const effects: { from: number; to: number }[] = [];
  foldedRanges(state).between(start, doc.line(last + 1).to, (from, to) => {
    const head = sources.indexOf(doc.lineAt(from).number - 1);
    const foot = sources.indexOf(doc.lineAt(to).number - 1);
    if (head !== -1 && foot > head) effects.push({ from: ends[head] ?? 0, to: ends[foot] ?? 0 });
  });
  // Folds can only be put in from the top down.
  return effects.sort((a, b) => a.from - b.from).map((fold) => foldEffect.of(fold));
}
