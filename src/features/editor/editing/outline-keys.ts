import { foldEffect, foldedRanges } from '@codemirror/language';
import { type ChangeSpec, EditorSelection, type EditorState, type SelectionRange, type StateEffect, type Text } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { type OutlineCommand, type OutlineEdit, outlineEdit } from '../../../core/note/outline/outline-edits';
import { groupEdit, itemsOn } from '../../../core/note/outline/outline-group';
import type { Task } from '../../../core/task/line/task';
import { withoutIdentity } from '../../../core/task/writing/write-tail';
import { noteNow } from '../reading/note-field';
import { cursorLine, selectedLines } from '../commands/task-commands';

/** Does an outline command at the cursor, or to all items of a selection, with everything under them; whether it could. */
export function runOutline(view: EditorView, command: OutlineCommand): boolean {
  const { state } = view;
  const text = state.doc.toString();
  const line = cursorLine(view);
  const userEvent = command === 'delete' ? 'delete.outline' : 'move.line';
  const lines = selectedLines(view);
  const [first = line] = lines;
  const last = lines.at(-1) ?? line;
  if (command !== 'duplicate' && last > first && itemsOn(text, first, last) > 1) {
    const edit = groupEdit(text, first, last, command, line);
    if (edit) writeOutline(view, edit, line, userEvent, { first, last });
    return edit !== null;
  }
  const edit = outlineEdit(text, line, command);
  if (edit) writeOutline(view, command === 'duplicate' ? withoutRefs(edit, noteNow(state).tasks) : edit, line, userEvent);
  return edit !== null;
}

/** A copy is another task: what points at the first must not mean it too. */
function withoutRefs(edit: OutlineEdit, tasks: readonly Task[]): OutlineEdit {
  const boxes = new Map(tasks.map((task) => [task.line, task.boxFrom]));
  const seen = new Set<number>();
  const lines = edit.lines.map((words, index) => {
    const source = edit.sources[index] as number;
    const box = boxes.get(source);
    if (!seen.has(source)) {
      seen.add(source);
      return words;
    }
    return box === undefined ? words : withoutIdentity(words, box);
  });
  return { ...edit, lines };
}

/**
 * Writes an outline edit into the text; the cursor stays among the same letters, and what is folded stays folded.
 *
 * @param line the line (from 0) on which it was asked for
 * @param selected the lines (from 0, both included) that stay selected, where they come to stand; null for a cursor
 */
export function writeOutline(view: EditorView, edit: OutlineEdit, line: number, userEvent: string, selected: Selected | null = null): void {
  const { state } = view;
  const { doc, selection } = state;
  const old = doc.line(line + 1);
  const head = Math.min(Math.max(selection.main.head, old.from), old.to);
  const changes = changeOf(state, edit);
  const after = state.changes(changes).apply(doc);
  const place = after.line(Math.min(edit.line + 1, after.lines));
  view.dispatch({
    changes,
    selection: (selected && selectionOf(after, edit, selected)) ?? {
      // A line that moved may stand further in or out: its end is what stays.
      anchor: edit.lines.length === 0 ? Math.min(place.to, place.from + head - old.from) : Math.max(place.from, place.to - (old.to - head)),
    },
    effects: foldsAfter(state, edit),
    userEvent,
    scrollIntoView: true,
  });
}

interface Selected {
  first: number;
  last: number;
}

/** The selection over some old lines where they stand after an edit; null when they are gone. */
function selectionOf(after: Text, { first, last, lines, sources }: OutlineEdit, selected: Selected): SelectionRange | null {
  const isSelected = (source: number): boolean => source >= selected.first && source <= selected.last;
  const from = selected.first < first ? selected.first : first + sources.findIndex(isSelected);
  const to = selected.last > last ? selected.last + lines.length - (last - first + 1) : first + sources.findLastIndex(isSelected);
  return from < first && selected.first >= first ? null : EditorSelection.range(after.line(from + 1).from, after.line(to + 1).to);
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
