import { defaultKeymap, history, historyKeymap, redoSelection, undoSelection } from '@codemirror/commands';
import { markdown, markdownLanguage } from '@codemirror/lang-markdown';
import { search, searchKeymap } from '@codemirror/search';
import { Compartment, EditorState, type Extension, Prec, Text, type Transaction } from '@codemirror/state';
import { EditorView, type KeyBinding, type ViewUpdate, drawSelection, keymap, placeholder } from '@codemirror/view';
import type { ActionContext } from '../../core/task/acts/action-context';
import type { ReadingSettings } from '../../core/task/line/task';
import { besideTail } from './editing/beside-tail';
import { composedBesideTail } from './editing/composed-beside-tail';
import { belowLastBlock } from './editing/below-last-block';
import { gatherProblems } from './gather/gather-writing';
import { gathersOfNote } from './gather/gathers-of-note';
import { type PortalRegistry, blockDecorations } from './look/block-decorations';
import { closeUp } from './folding/close-up';
import { type CompletionFacts, completion } from './reading/completion';
import { type EditorContext, contextChanged, editorContext } from './reading/editor-context';
import { finishedLines, hideFinished } from './folding/finished-lines';
import { folding, openingFolds } from './folding/folding';
import { fromStore } from './reading/from-store';
import { followNames } from './reading/follow-names';
import { foundLine } from './look/found-line';
import { leavingLines } from './editing/leaving-lines';
import { lineDecorations } from './look/line-decorations';
import { marginTools } from './look/margin-tools';
import { type Heaviness, heavinessOf, heavinessOfLine } from './look/heavy-text';
import { noteField, notePath, noteReading, notRead, readAll } from './reading/note-field';
import { wordOffers } from './reading/offered-words';
import { takePictures } from './editing/take-pictures';
import { pasteRich } from './editing/paste';
import { recordFolds } from './folding/record-folds';
import { restingCursor } from './look/resting-cursor';
import { writingKeys } from './commands/task-keys';
import { editorTheme } from './look/theme';

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
  /** Whether it is shown as it is stored. */
  plain: boolean;
  /** What the text is called for those who hear it. */
  label: string;
  registry: PortalRegistry;
  values: EditorValues;
  facts: CompletionFacts;
  context: () => ActionContext;
  /** Whether nothing can be written in it, since the store is only read. */
  onlyRead: boolean;
  /** Whether words of a task line that can be stored are offered. */
  offers: () => boolean;
  /** How the key that takes an offered date is called. */
  takeKey: () => string;
  onTake: (view: EditorView) => void;
  /** The text is, or became, too heavy for marks and colours. */
  onHeavy: (why: Heaviness) => void;
  onUpdate: (update: ViewUpdate) => void;
}

export interface MadeEditor {
  view: EditorView;
  /** Takes over what changed of the values. */
  follow: (values: EditorValues) => void;
  /** Reads and folds what a long note was shown without; it does so by itself once the first lines are painted. */
  complete: () => void;
}

/** A text that is only text: lines are not broken, since the library lays out a long one whole then. */
const PLAIN: Extension = [
  notRead.of(true),
  // The text moves sideways, not the page.
  EditorView.theme({ '&': { maxWidth: '100%' }, '.cm-scroller': { overflowX: 'auto !important' } }),
];

/** More letters at once than hands type. */
const MUCH = 2000;

/** Takes marks and colours away in the very change that makes the text too heavy for them. */
function plainWhenHeavy(look: Compartment, told: (why: Heaviness) => void): Extension {
  return EditorState.transactionExtender.of((transaction) => {
    if (!transaction.docChanged || transaction.startState.facet(notRead)) return null;
    const why = heavinessAfter(transaction);
    if (why === null) return null;
    queueMicrotask(() => told(why));
    return { effects: look.reconfigure(PLAIN) };
  });
}

function heavinessAfter({ changes, newDoc }: Transaction): Heaviness | null {
  let much = false;
  let why: Heaviness | null = null;
  changes.iterChanges((_fromA, _toA, from, to) => {
    if (to - from > MUCH) much = true;
    else why ??= heavinessOfLine(newDoc.lineAt(from).text);
  });
  return much ? heavinessOf(newDoc) : why;
}

/** A text that is only looked at: what the store tells of comes in, and nothing else. */
const ONLY_READ: Extension = [
  EditorState.readOnly.of(true),
  EditorState.changeFilter.of((transaction) => transaction.annotation(fromStore) === true),
];

/** Makes the editor of a note: plain text with live marks, chips and gathers over it. */
export function makeEditor(options: EditorOptions): MadeEditor {
  const parts: EditorParts = {
    context: new Compartment(),
    reading: new Compartment(),
    keys: new Compartment(),
    hidesFinished: new Compartment(),
  };
  const first = extensionsOf(options.values);
  const look = new Compartment();
  const written: Extension = [
    completion(options.facts),
    gatherProblems(gathersOfNote),
    markdown({ base: markdownLanguage, addKeymap: false }),
    EditorView.lineWrapping,
    EditorView.perLineTextDirection.of(true),
    EditorView.contentAttributes.of({ spellcheck: 'true' }),
    folding,
    marginTools,
    lineDecorations,
    blockDecorations(options.registry),
    belowLastBlock,
    besideTail,
    composedBesideTail,
    finishedLines,
    recordFolds,
    closeUp,
    followNames(),
    wordOffers(options.context, options.offers, options.takeKey, options.onTake),
    leavingLines(options.context),
  ];
  const doc = Text.of(options.text.split('\n'));
  const heavy = heavinessOf(doc);
  const extensions: Extension[] = [
    notePath.of(options.path),
    parts.reading.of(first.reading),
    noteField,
    parts.context.of(first.context),
    parts.keys.of(first.keys),
    parts.hidesFinished.of(first.hidesFinished),
    options.onlyRead ? ONLY_READ : [],
    history(),
    drawSelection(),
    restingCursor,
    // Its keys go before those of writing.
    look.of(heavy !== null ? PLAIN : options.plain ? [PLAIN, EditorView.lineWrapping] : written),
    keymap.of([...writingKeys, ...findKeys, ...selectionKeys, ...defaultKeymap]),
    search({ top: true }),
    EditorState.phrases.of(SEARCH_WORDS),
    EditorView.contentAttributes.of({ 'aria-label': options.label }),
    placeholder(options.hint),
    foundLine,
    takePictures,
    pasteRich,
    editorTheme,
    plainWhenHeavy(look, (why) => options.onHeavy(why)),
    EditorView.updateListener.of(options.onUpdate),
  ];
  if (heavy !== null) options.onHeavy(heavy);
  const state = EditorState.create({ doc, extensions });
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
