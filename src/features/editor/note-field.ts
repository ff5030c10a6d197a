import { Facet, StateField } from '@codemirror/state';
import { type ReadNote, readNote } from '../../core/task/read-note';
import { READING_DEFAULTS, type ReadingSettings } from '../../core/task/task';

/** The path of the note in the editor. */
export const notePath = Facet.define<string, string>({ combine: (values) => values[0] ?? '' });

/** What changes how the text is read. */
export const noteReading = Facet.define<ReadingSettings, ReadingSettings>({ combine: (values) => values[0] ?? READING_DEFAULTS });

/** The note as it is read from the editor's text, on the page: nothing waits for the worker. */
export const noteField = StateField.define<ReadNote>({
  create: (state) => readNote(state.facet(notePath), state.doc.toString(), state.facet(noteReading)),
  update: (note, transaction) =>
    transaction.docChanged || transaction.state.facet(noteReading) !== transaction.startState.facet(noteReading)
      ? readNote(transaction.state.facet(notePath), transaction.state.doc.toString(), transaction.state.facet(noteReading))
      : note,
});
