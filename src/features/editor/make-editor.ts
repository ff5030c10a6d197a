import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { markdown, markdownLanguage } from '@codemirror/lang-markdown';
import { search, searchKeymap } from '@codemirror/search';
import { Compartment, EditorState, type Extension } from '@codemirror/state';
import { EditorView, type ViewUpdate, drawSelection, keymap, placeholder } from '@codemirror/view';
import type { ActionContext } from '../../core/task/action-context';
import { type PortalRegistry, blockDecorations } from './block-decorations';
import { closeUp } from './close-up';
import { type CompletionFacts, completion } from './completion';
import { dragBlocks } from './drag-block';
import { finishedLines } from './finished-lines';
import { folding } from './folding';
import { foundLine } from './found-line';
import { leavingLines } from './leaving-lines';
import { followNames, lineDecorations } from './line-decorations';
import { noteField, notePath } from './note-field';
import { dateOffers } from './offered-date';
import { pasteRich } from './paste';
import { writingKeys } from './task-keys';
import { editorTheme } from './theme';

/** Parts of the editor that follow settings and the library while it is open. */
export interface EditorParts {
  context: Compartment;
  reading: Compartment;
  keys: Compartment;
  finished: Compartment;
}

interface EditorOptions {
  parent: HTMLElement;
  path: string;
  text: string;
  hint: string;
  registry: PortalRegistry;
  facts: CompletionFacts;
  context: () => ActionContext;
  /** How the key that takes an offered date is called. */
  takeKey: () => string;
  onTake: (view: EditorView) => void;
  onUpdate: (update: ViewUpdate) => void;
}

/** Makes the editor of a note: plain text with live marks, chips and gathers over it. */
export function makeEditor(options: EditorOptions): { view: EditorView; parts: EditorParts } {
  const parts: EditorParts = {
    context: new Compartment(),
    reading: new Compartment(),
    keys: new Compartment(),
    finished: new Compartment(),
  };
  const extensions: Extension[] = [
    notePath.of(options.path),
    parts.reading.of([]),
    noteField,
    parts.context.of([]),
    parts.keys.of([]),
    parts.finished.of([]),
    history(),
    drawSelection(),
    completion(options.facts),
    keymap.of([...writingKeys, ...searchKeymap, ...historyKeymap, ...defaultKeymap]),
    search({ top: true }),
    markdown({ base: markdownLanguage, addKeymap: false }),
    EditorView.lineWrapping,
    EditorView.perLineTextDirection.of(true),
    EditorView.contentAttributes.of({ 'aria-label': 'Text of the note', spellcheck: 'true' }),
    placeholder(options.hint),
    folding,
    dragBlocks,
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
  return { view: new EditorView({ parent: options.parent, state: EditorState.create({ doc: options.text, extensions }) }), parts };
}
