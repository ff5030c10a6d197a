import { Facet, StateField } from '@codemirror/state';
import { type ReadNote, readNote } from '../../core/task/read-note';

/** The path of the note in the editor. */
export const notePath = Facet.define<string, string>({ combine: (values) => values[0] ?? '' });

/** The note as it is read from the editor's text, on the page: nothing waits for the worker. */
export const noteField = StateField.define<ReadNote>({
  create: (state) => readNote(state.facet(notePath), state.doc.toString()),
  update: (note, transaction) =>
    transaction.docChanged ? readNote(transaction.state.facet(notePath), transaction.state.doc.toString()) : note,
});
