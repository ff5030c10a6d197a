import { type EditorState, Facet, StateEffect, StateField, type Transaction } from '@codemirror/state';
import { type EditorView, ViewPlugin, type ViewUpdate } from '@codemirror/view';
import { type ReadNote, readNote } from '../../../core/task/reading/read-note';
import { READING_DEFAULTS, type ReadingSettings } from '../../../core/task/line/task';
import { RestTimer } from '../../../store/texts/rest-timer';

/** The path of the note in the editor. */
export const notePath = Facet.define<string, string>({ combine: (values) => values[0] ?? '' });

/** What changes how the text is read. */
export const noteReading = Facet.define<ReadingSettings, ReadingSettings>({ combine: (values) => values[0] ?? READING_DEFAULTS });

/** Longer notes are not read at every key stroke inside a line, but as soon as the hands rest. */
const LONG = 40_000;
/** How long the hands rest before a long note is read again, in milliseconds. */
const REST = 120;

/** So much of a long note is read before it is first shown. */
const FIRST_PART = 6_000;

interface Reading {
  note: ReadNote;
  /**
   * Whether the note is as the text stands; else one line was typed in since, on which the cursor stands, or only the first
   * part of a long note was read.
   */
  fresh: boolean;
}

const readAgain = StateEffect.define<null>();

/** Whether the text is too heavy to be read at each change: then nothing in it is a task here. */
export const notRead = Facet.define<boolean, boolean>({ combine: (values) => values.some(Boolean) });

const read = (state: EditorState): ReadNote =>
  readNote(state.facet(notePath), state.facet(notRead) ? '' : state.doc.toString(), state.facet(noteReading));

/** A long note is shown as soon as its first part is read; `readAll` reads the rest. */
function firstReading(state: EditorState): Reading {
  const { doc } = state;
  if (doc.length < LONG || state.facet(notRead)) return { note: read(state), fresh: true };
  const part = doc.sliceString(0, doc.lineAt(FIRST_PART).from);
  return { note: readNote(state.facet(notePath), part, state.facet(noteReading)), fresh: false };
}

const readingField = StateField.define<Reading>({
  create: firstReading,
  update: (reading, transaction) => {
    const { state, startState } = transaction;
    if (state.facet(notRead)) return startState.facet(notRead) ? reading : { note: read(state), fresh: true };
    if (state.facet(noteReading) !== startState.facet(noteReading)) return { note: read(state), fresh: true };
    if (!transaction.docChanged)
      return !reading.fresh && transaction.effects.some((effect) => effect.is(readAgain)) ? { note: read(state), fresh: true } : reading;
    return staysInLine(transaction) ? { note: reading.note, fresh: false } : { note: read(state), fresh: true };
  },
});

/** Whether a long note was only typed in within the words of one line, so that no other line can have changed its meaning. */
function staysInLine(transaction: Transaction): boolean {
  const { changes, startState, state } = transaction;
  if (state.doc.length < LONG || startState.doc.lines !== state.doc.lines || !transaction.isUserEvent('input.type')) return false;
  let simple = true;
  changes.iterChanges((fromA, toA, fromB, toB) => {
    const line = state.doc.lineAt(fromB);
    // What opens or closes blocks stands at the start of a line; behind some words only words can be typed.
    if (
      toA > fromA ||
      line.to < toB ||
      line.number === 1 ||
      !/^[\s>]*(?:[-*+]|\d+[.)])?\s*(?:\[.\]\s)?[\p{L}\p{N}]/u.test(line.text.slice(0, fromB - line.from))
    )
      simple = false;
  });
  return simple;
}

/** Reads what was not read yet. */
export function readAll(view: EditorView): void {
  if (!view.state.field(readingField).fresh) view.dispatch({ effects: readAgain.of(null) });
}

/** Reads a long note again when the hands rest. */
const restReader = ViewPlugin.fromClass(
  class {
    private readonly timer: RestTimer;

    constructor(view: EditorView) {
      this.timer = new RestTimer(REST, () => readAll(view));
    }

    update({ state }: ViewUpdate): void {
      if (!state.field(readingField).fresh) this.timer.touch();
    }

    destroy(): void {
      this.timer.stop();
    }
  },
);

/** The note as it is read from the editor's text, on the page: nothing waits for the worker. */
export const noteField = [readingField, restReader];

/** The note for drawing: in a long note the line under the cursor may be some moments behind, and just opened its end missing. */
export const shownNote = (state: EditorState): ReadNote => state.field(readingField).note;

/** The note exactly as the text stands, for what acts on it. */
export function noteNow(state: EditorState): ReadNote {
  const { note, fresh } = state.field(readingField);
  return fresh ? note : read(state);
}

/** Whether a transaction brought a new reading of the note. */
export function wasRead(update: ViewUpdate): boolean {
  return update.startState.field(readingField).note !== update.state.field(readingField).note;
}
