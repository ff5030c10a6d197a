import { EditorView } from '@codemirror/view';
import { shownNote } from '../reading/note-field';

/** A click below a block that ends the note begins a line behind it: the end of the text is inside the block. */
export const belowLastBlock = EditorView.domEventHandlers({
  mousedown: (event, view) => {
    const { state } = view;
    const { structure } = shownNote(state);
    const last = structure.fences.at(-1);
    if (event.button !== 0 || last?.lastLine !== state.doc.lines - 1 || state.readOnly) return false;
    if (event.clientY < view.documentTop + view.lineBlockAt(state.doc.length).bottom) return false;
    event.preventDefault();
    view.dispatch({
      changes: { from: state.doc.length, insert: '\n' },
      selection: { anchor: state.doc.length + 1 },
      userEvent: 'input',
      scrollIntoView: true,
    });
    view.focus();
    return true;
  },
});
