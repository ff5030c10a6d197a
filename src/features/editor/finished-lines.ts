import { Facet, type Range, RangeSet, StateField, type EditorState } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView, WidgetType } from '@codemirror/view';
import { isOpen } from '../../core/task/status';
import { shownNote } from './note-field';

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
  update: (_set, transaction) => find(transaction.state),
  provide: (field) => EditorView.decorations.from(field),
});

function find(state: EditorState): DecorationSet {
  if (!state.facet(hideFinished)) return Decoration.none;
  const note = shownNote(state);
  const { doc, selection } = state;
  const cursor = doc.lineAt(selection.main.head).number - 1;
  const runs: { first: number; last: number; count: number }[] = [];
  for (const task of note.tasks) {
    const item = note.structure.items[task.item];
    if (!item || item.line !== task.line || item.lastLine >= doc.lines) continue;
    const last = runs[runs.length - 1];
    if (last && item.line <= last.last) continue;
    const under = note.tasks.filter((one) => one.line >= item.line && one.line <= item.lastLine);
    if (under.some((one) => isOpen(one.status)) || (cursor >= item.line && cursor <= item.lastLine)) continue;
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
