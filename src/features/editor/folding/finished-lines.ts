import { Facet, type Range, RangeSet, StateField, type EditorState } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView, WidgetType } from '@codemirror/view';
import { isOpen } from '../../../core/task/line/status';
import type { Task } from '../../../core/task/line/task';
import { shownNote } from '../reading/note-field';
import { lineOfCursor } from '../reading/cursor-line';

/** Whether finished lines are out of sight. */
export const hideFinished = Facet.define<boolean, boolean>({ combine: (values) => values[0] ?? false });

/** Stands in the place of finished lines, and says how many there are. */
class HiddenWidget extends WidgetType {
  constructor(private readonly count: number) {
    super();
  }

  override eq(other: HiddenWidget): boolean {
    return other.count === this.count;
  }

  override toDOM(): HTMLElement {
    const sign = document.createElement('div');
    sign.className = 'cm-hidden-lines';
    sign.textContent = `${this.count} finished ${this.count === 1 ? 'line is' : 'lines are'} out of sight`;
    return sign;
  }
}

/** Takes the finished tasks of a note out of sight, with everything under them; those at the cursor stay. */
export const finishedLines = StateField.define<DecorationSet>({
  create: find,
  update: (set, { startState, state, docChanged }) =>
    !docChanged &&
    shownNote(startState) === shownNote(state) &&
    startState.facet(hideFinished) === state.facet(hideFinished) &&
    lineOfCursor(startState) === lineOfCursor(state)
      ? set
      : find(state),
  provide: (field) => EditorView.decorations.from(field),
});

function find(state: EditorState): DecorationSet {
  if (!state.facet(hideFinished)) return Decoration.none;
  const note = shownNote(state);
  const { doc } = state;
  const cursor = lineOfCursor(state);
  const runs: { first: number; last: number; count: number }[] = [];
  for (const [index, task] of note.tasks.entries()) {
    const item = note.structure.items[task.item];
    if (!item || item.line !== task.line || item.lastLine >= doc.lines) continue;
    const last = runs[runs.length - 1];
    if (last && item.line <= last.last) continue;
    if (holdsOpen(note.tasks, index, item.lastLine) || (cursor >= item.line && cursor <= item.lastLine)) continue;
    if (last && item.line === last.last + 1) {
      last.last = item.lastLine;
      last.count++;
    } else runs.push({ first: item.line, last: item.lastLine, count: 1 });
  }
  const ranges = runs.map(({ first, last, count }): Range<Decoration> =>
    Decoration.replace({ widget: new HiddenWidget(count), block: true }).range(doc.line(first + 1).from, doc.line(last + 1).to),
  );
  return RangeSet.of(ranges);
}

/** Whether a task, or one that stands in it up to a line, is open. */
function holdsOpen(tasks: readonly Task[], from: number, lastLine: number): boolean {
  for (let at = from; ; at++) {
    const task = tasks[at];
    if (!task || task.line > lastLine) return false;
    if (isOpen(task.status)) return true;
  }
}
