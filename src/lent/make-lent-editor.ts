import { defaultKeymap, history } from '@codemirror/commands';
import { markdown, markdownLanguage } from '@codemirror/lang-markdown';
import { openSearchPanel, search, searchKeymap } from '@codemirror/search';
import { Compartment, EditorState, type Extension, Prec, Transaction } from '@codemirror/state';
import { EditorView, type ViewUpdate, drawSelection, keymap } from '@codemirror/view';
import { yCollab, ySyncAnnotation } from 'y-codemirror.next';
import type { Awareness } from 'y-protocols/awareness';
import * as Y from 'yjs';
import type { LentSettings } from '../core/sharing/lend/lent-settings';
import { keysOf } from '../features/commands/definitions';
import { actOnTasks, raiseLine } from '../features/editor/commands/task-commands';
import { runTextCommand } from '../features/editor/commands/run-command';
import { commandKeys, writingKeys } from '../features/editor/commands/task-keys';
import type { TextHost } from '../features/editor/commands/text-host';
import type { TextCommandId } from '../features/commands/definitions';
import { besideTail } from '../features/editor/editing/beside-tail';
import { composedBesideTail } from '../features/editor/editing/composed-beside-tail';
import { leavingLines } from '../features/editor/editing/leaving-lines';
import { pasteRich } from '../features/editor/editing/paste';
import { tickLines } from '../features/editor/editing/tick-lines';
import { lineDecorations } from '../features/editor/look/line-decorations';
import { marginTools } from '../features/editor/look/margin-tools';
import { restingCursor } from '../features/editor/look/resting-cursor';
import { editorTheme } from '../features/editor/look/theme';
import { completion } from '../features/editor/reading/completion';
import { type EditorContext, type FollowTarget, editorContext } from '../features/editor/reading/editor-context';
import { folding } from '../features/editor/folding/folding';
import { followNames } from '../features/editor/reading/follow-names';
import { noteField, notePath, noteReading } from '../features/editor/reading/note-field';
import { wordOffers } from '../features/editor/reading/offered-words';
import { recordFolds } from '../features/editor/folding/record-folds';
import { contextOf, nowHere, readingOf } from './lent-context';
import { narrowLines } from './narrow-lines';

/** The commands of a text that mean something where there is nothing but this text. */
export const LENT_COMMANDS: ReadonlySet<TextCommandId> = new Set<TextCommandId>([
  ...(['text-tick', 'text-task', 'text-cycle', 'text-raise', 'text-lower', 'text-tail', 'text-take', 'text-key', 'text-question'] as const),
  ...(['text-in', 'text-out', 'text-up', 'text-down', 'text-duplicate', 'text-delete'] as const),
  ...(['text-fold', 'text-fold-branch', 'text-fold-all', 'text-fold-level-1', 'text-fold-level-2', 'text-fold-level-3'] as const),
  ...(['text-unfold-all', 'text-find', 'text-follow', 'text-bold', 'text-italic', 'text-strike', 'text-code', 'text-heading'] as const),
  ...(['text-repair', 'undo', 'redo'] as const),
]);

/** Of these nothing is written. */
const READING: ReadonlySet<TextCommandId> = new Set<TextCommandId>([
  ...(['text-fold', 'text-fold-branch', 'text-fold-all', 'text-fold-level-1', 'text-fold-level-2', 'text-fold-level-3'] as const),
  ...(['text-unfold-all', 'text-find', 'text-follow'] as const),
]);

export interface LentEditorOptions {
  parent: HTMLElement;
  text: Y.Text;
  awareness: Awareness;
  settings: LentSettings;
  /** Whether it may be written in. */
  writes: boolean;
  /** What a tick does where the text itself is not written: of a list that may be ticked; null where nothing is ticked. */
  onTick: ((line: number) => void) | null;
  /** Whether the text is shown by `show` alone, since more than the shared text is shown. */
  isList: boolean;
  told: (words: string) => void;
  onUpdate: (update: ViewUpdate) => void;
}

export interface LentEditor {
  view: EditorView;
  run: (id: TextCommandId) => boolean;
  /** Shows a text in the place of the one that is shown. */
  show: (text: string) => void;
  follow: (settings: LentSettings) => void;
}

const LABEL = 'What is lent to you';

/** The editor of what is lent: the same text, marks and consequences as on its owner’s side, and nothing that leads elsewhere. */
export function makeLentEditor(options: LentEditorOptions): LentEditor {
  const { parent, text, awareness, writes, isList } = options;
  let { settings } = options;
  const undo = new Y.UndoManager(text, { captureTimeout: 500 });
  const context = () => contextOf(settings);
  const follow = (target: FollowTarget): void => {
    if (target.is === 'address' && /^https?:\/\//i.test(target.url)) window.open(target.url, '_blank', 'noopener,noreferrer');
  };
  const run = (id: TextCommandId): boolean => {
    if (!(writes ? LENT_COMMANDS : READING).has(id)) return false;
    if (id === 'text-find') return openSearchPanel(view);
    return runTextCommand(view, id, host);
  };
  const tick = (lines: readonly number[]): void => {
    if (!writes) return void lines.forEach((line) => options.onTick?.(line));
    void tickLines(view, lines, {
      ...{ context: context(), sinks: false, told: options.told, settle: () => Promise.resolve(), saveStep: () => undefined },
      // Steps stay as they are: who has more of it in sight decides about them.
      elsewhere: (tasks, status) =>
        void actOnTasks(
          view,
          tasks.map(({ task }) => task),
          { do: 'status', status },
          context(),
          options.told,
        ),
    });
  };
  const host = lentHost({ context, tick, raise: (line) => raiseLine(view, line, context()), told: options.told, undo });
  const valuesOf = (): Extension => [
    noteReading.of(readingOf(settings)),
    editorContext.of(
      lentContext(settings, { writes, tick, follow, run, select: (line) => selectLine(view, line), raise: host.raise, context }),
    ),
  ];
  const values = new Compartment();
  const written: Extension = writes
    ? [
        completion({
          ...{ overview: () => null, recent: () => [], headings: () => Promise.resolve([]), make: null },
          ...{ calendar: () => undefined, context },
        }),
        besideTail,
        composedBesideTail,
        wordOffers(
          context,
          () => true,
          () => '',
          () => void run('text-take'),
        ),
        leavingLines(context),
        pasteRich,
        marginTools,
        Prec.high(keymap.of(commandKeys(keysOf({}), (_, id) => run(id)))),
        keymap.of([...writingKeys, ...searchKeymap, ...defaultKeymap]),
      ]
    : [
        EditorState.readOnly.of(true),
        // Only what comes from the other side, or is shown here, changes it.
        EditorState.changeFilter.of((one) => one.annotation(ySyncAnnotation) !== undefined || one.annotation(Transaction.remote) === true),
        Prec.high(keymap.of(commandKeys(keysOf({}), (_, id) => run(id)))),
        keymap.of([...searchKeymap, ...defaultKeymap]),
      ];
  const view = new EditorView({
    parent,
    state: EditorState.create({
      doc: isList ? '' : text.toString(),
      extensions: [
        notePath.of('Lent.md'),
        values.of([]),
        noteField,
        isList ? history() : yCollab(text, awareness, { undoManager: writes ? undo : false }),
        drawSelection(),
        restingCursor,
        markdown({ base: markdownLanguage, addKeymap: false }),
        EditorView.lineWrapping,
        EditorView.perLineTextDirection.of(true),
        EditorView.contentAttributes.of({ spellcheck: String(writes), 'aria-label': LABEL }),
        folding,
        lineDecorations,
        recordFolds,
        followNames(),
        narrowLines,
        written,
        search({ top: true }),
        editorTheme,
        EditorView.updateListener.of(options.onUpdate),
      ],
    }),
  });
  view.dispatch({ effects: values.reconfigure(valuesOf()) });
  return {
    view,
    run,
    show: (words) => {
      if (words !== view.state.doc.toString())
        view.dispatch({
          changes: { from: 0, to: view.state.doc.length, insert: words },
          annotations: [Transaction.remote.of(true), Transaction.addToHistory.of(false)],
        });
    },
    follow: (next) => {
      if (JSON.stringify(next) === JSON.stringify(settings)) return;
      settings = next;
      view.dispatch({ effects: values.reconfigure(valuesOf()) });
    },
  };
}

function selectLine(view: EditorView, line: number): void {
  view.dispatch({ selection: { anchor: view.state.doc.line(line + 1).from } });
}

interface Hosted {
  context: TextHost['context'];
  tick: TextHost['tick'];
  raise: TextHost['raise'];
  told: TextHost['told'];
  undo: Y.UndoManager;
}

/** What commands ask of a page: here there is none around the text, so what would ask or lead elsewhere does nothing. */
function lentHost({ context, tick, raise, told, undo }: Hosted): TextHost {
  const nothing = (): void => undefined;
  return {
    ...{ context, tick, raise, told },
    ...{ details: nothing, dates: nothing, names: nothing, onto: nothing, remark: nothing, closeUp: nothing, wider: nothing },
    ...{ takeOut: nothing, lend: nothing, insertMenu: nothing, makeNote: nothing, makePerson: nothing, makeMeeting: nothing },
    ...{ card: () => false, raiseTag: () => '', notNowTag: () => '' },
    undo: () => undo.undo() !== null,
    redo: () => undo.redo() !== null,
  };
}

interface ContextParts {
  writes: boolean;
  tick: (lines: readonly number[]) => void;
  raise: (line: number) => void;
  follow: EditorContext['follow'];
  run: (id: TextCommandId) => boolean;
  select: (line: number) => void;
  context: TextHost['context'];
}

function lentContext(settings: LentSettings, { writes, tick, raise, follow, run, select, context }: ContextParts): EditorContext {
  return {
    today: nowHere().day,
    style: settings.dateStyle,
    workingDay: settings.workingDay,
    refProblems: new Map(),
    sharedNames: new Set(),
    knownPeople: null,
    lent: { refs: new Set(), headings: new Set() },
    picture: null,
    keepPictures: null,
    leads: false,
    repairKey: '',
    action: context,
    tick: (line) => tick([line]),
    raise: (line) => {
      if (writes) raise(line);
    },
    run: (id, line) => {
      select(line);
      run(id);
    },
    follow,
  };
}
