import { StateEffect, StateField } from '@codemirror/state';
import { Decoration, type DecorationSet, EditorView } from '@codemirror/view';

const markLine = StateEffect.define<number | null>();

/** How long a line that was gone to stays marked, in milliseconds. */
const SHOWN = 1800;

/** The line that a person came to from a list, marked for a moment. */
export const foundLine = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(found, transaction) {
    for (const effect of transaction.effects) {
      if (!effect.is(markLine)) continue;
      return effect.value === null ? Decoration.none : Decoration.set(Decoration.line({ class: 'cm-found-line' }).range(effect.value));
    }
    return found.map(transaction.changes);
  },
  provide: (self) => EditorView.decorations.from(self),
});

/** Shows a line (from 0) in the middle and marks it for a moment. */
export function showLine(view: EditorView, line: number): void {
  const { from } = view.state.doc.line(Math.min(Math.max(line, 0), view.state.doc.lines - 1) + 1);
  view.dispatch({ selection: { anchor: from }, effects: [EditorView.scrollIntoView(from, { y: 'center' }), markLine.of(from)] });
  setTimeout(() => {
    if (view.dom.isConnected) view.dispatch({ effects: markLine.of(null) });
  }, SHOWN);
}

/** Puts the cursor where it stood before; a text that is shorter now has it at its end. */
export function showCursor(view: EditorView, { anchor, head }: { anchor: number; head: number }, scrolls: boolean): void {
  const { length } = view.state.doc;
  const selection = { anchor: Math.min(anchor, length), head: Math.min(head, length) };
  view.dispatch({ selection, ...(scrolls && { effects: EditorView.scrollIntoView(selection.head, { y: 'center' }) }) });
}
