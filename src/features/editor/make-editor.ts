import { defaultKeymap, history, historyKeymap, redoSelection, undoSelection } from '@codemirror/commands';
import { markdown, markdownLanguage } from '@codemirror/lang-markdown';
import { search, searchKeymap } from '@codemirror/search';
import { Compartment, EditorState, type Extension, Prec } from '@codemirror/state';
import { EditorView, type KeyBinding, type ViewUpdate, drawSelection, keymap, placeholder } from '@codemirror/view';
import type { ActionContext } from '../../core/task/action-context';
import type { ReadingSettings } from '../../core/task/task';
import { type PortalRegistry, blockDecorations } from './block-decorations';
import { closeUp } from './close-up';
import { type CompletionFacts, completion } from './completion';
import { type EditorContext, contextChanged, editorContext } from './editor-context';
import { finishedLines, hideFinished } from './finished-lines';
import { folding, openingFolds } from './folding';
import { followNames } from './follow-names';
import { foundLine } from './found-line';
import { leavingLines } from './leaving-lines';
import { lineDecorations } from './line-decorations';
import { marginTools } from './margin-tools';
import { noteField, notePath, noteReading, readAll } from './note-field';
import { dateOffers } from './offered-date';
import { pasteRich } from './paste';
import { restingCursor } from './resting-cursor';
import { writingKeys } from './task-keys';
import { editorTheme } from './theme';

/** What of the editor follows settings and the library while it is open. */
export interface EditorValues {
  context: EditorContext;
  reading: ReadingSettings;
  keys: readonly KeyBinding[];
  hidesFinished: boolean;
}

type EditorParts = Record<keyof EditorValues, Compartment>;

const extensionsOf = ({ context, reading, keys, hidesFinished }: EditorValues): Record<keyof EditorValues, Extension> => ({
  context: editorContext.of(context),
  reading: noteReading.of(reading),
  keys: Prec.high(keymap.of(keys)),
  hidesFinished: hideFinished.of(hidesFinished),
});

/** The keys that go back and forward over selections; those of Undo and Redo are commands'. */
const selectionKeys = historyKeymap.filter(({ run }) => run === undoSelection || run === redoSelection);

/** The keys of the search panel; the one that opens it is a command's. */
const findKeys = searchKeymap.filter(({ key }) => key !== 'Mod-f');

/** What the search panel calls its parts. */
const SEARCH_WORDS = {
  Find: 'Find in this note',
  Replace: 'Replace with',
  next: 'Next',
  previous: 'Previous',
  all: 'Select all',
  'match case': 'Case',
  regexp: 'Pattern',
  'by word': 'Whole words',
  replace: 'Replace',
  'replace all': 'Replace all',
  close: 'Close',
};

interface EditorOptions {
  parent: HTMLElement;
  path: string;
  text: string;
  hint: string;
  registry: PortalRegistry;
  values: EditorValues;
  facts: CompletionFacts;
  context: () => ActionContext;
  /** How the key that takes an offered date is called. */
  takeKey: () => string;
  onTake: (view: EditorView) => void;
  onUpdate: (update: ViewUpdate) => void;
}

export interface MadeEditor {
  view: EditorView;
  /** Takes over what changed of the values. */
  follow: (values: EditorValues) => void;
  /** Reads and folds what a long note was shown without; it does so by itself once the first lines are painted. */
  complete: () => void;
}

/** Makes the editor of a note: plain text with live marks, chips and gathers over it. */
export function makeEditor(options: EditorOptions): MadeEditor {
  const parts: EditorParts = {
    context: new Compartment(),
    reading: new Compartment(),
    keys: new Compartment(),
    hidesFinished: new Compartment(),
  };
  const first = extensionsOf(options.values);
  const extensions: Extension[] = [
    notePath.of(options.path),
    parts.reading.of(first.reading),
    noteField,
    parts.context.of(first.context),
    parts.keys.of(first.keys),
    parts.hidesFinished.of(first.hidesFinished),
    history(),
    drawSelection(),
    restingCursor,
    completion(options.facts),
    keymap.of([...writingKeys, ...findKeys, ...selectionKeys, ...defaultKeymap]),
    search({ top: true }),
    EditorState.phrases.of(SEARCH_WORDS),
    markdown({ base: markdownLanguage, addKeymap: false }),
    EditorView.lineWrapping,
    EditorView.perLineTextDirection.of(true),
    EditorView.contentAttributes.of({ 'aria-label': 'Text of the note', spellcheck: 'true' }),
    placeholder(options.hint),
    folding,
    marginTools,
    lineDecorations,
    blockDecorations(options.registry),
    finishedLines,
    closeUp,
    followNames,
    foundLine,
    pasteRich,
    dateOffers(options.context, options.takeKey, options.onTake),
    leavingLines(options.context),
    editorTheme,
    EditorView.updateListener.of(options.onUpdate),
  ];
  const state = EditorState.create({ doc: options.text, extensions });
  // What changes before there is a view is drawn once.
  const folded = state.update({ effects: openingFolds(state, options.path) }).state;
  const view = new EditorView({ parent: options.parent, state: folded });
  let present = options.values;
  const follow = (values: EditorValues): void => {
    const names = (Object.keys(parts) as (keyof EditorValues)[]).filter((name) => values[name] !== present[name]);
    present = values;
    if (names.length === 0) return;
    const made = extensionsOf(values);
    view.dispatch({ effects: [...names.map((name) => parts[name].reconfigure(made[name])), contextChanged.of(null)] });
  };
  let completed = false;
  const complete = (): void => {
    if (completed || !view.dom.isConnected) return;
    completed = true;
    readAll(view);
    const effects = openingFolds(view.state, options.path);
    if (effects.length > 0) view.dispatch({ effects });
  };
  requestAnimationFrame(() => setTimeout(complete));
  return { view, follow, complete };
}
