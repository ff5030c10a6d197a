import type { ViewUpdate } from '@codemirror/view';
import { type RefObject, useEffect, useRef, useState } from 'react';
import { editorText } from '../../../core/note/blocks/line-endings';
import { writeNote } from '../../../store/notes/write-note';
import { BY_TOUCH } from '../../../ui/input/by-touch';
import { useLatest } from '../../../ui/use-latest';
import { keyName } from '../../commands/command';
import type { TextCommands } from '../../commands/command-desk';
import { useCommandKeys } from '../../commands/use-key-of';
import { headingsOf } from '../../note/note-headings';
import { actionContext } from '../../session/acting/action-context';
import { refuse, say } from '../../session/telling/messages';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { runTextCommand } from '../commands/run-command';
import type { TextHost } from '../commands/text-host';
import { selectedTasks } from '../commands/task-commands';
import type { PortalRegistry } from '../look/block-decorations';
import type { Heaviness } from '../look/heavy-text';
import { type EditorValues, makeEditor } from '../make-editor';
import type { CompletionFacts } from '../reading/completion';
import { isAsking } from '../../../ui/asking';
import { keepFolds } from '../folding/folding';
import { EditorSurface } from './editor-surface';
import type { OpenEditor } from './open-editor';
import { UndoOrder } from './undo-order';

interface Opening {
  parent: RefObject<HTMLDivElement | null>;
  path: string;
  /** What is stored; null when the note is made by writing in it. */
  stored: string | null;
  autoFocus: boolean;
  /** Whether it stands beside the page, and not in the middle. */
  beside: boolean;
  /** Whether it is shown as it is stored. */
  plain: boolean;
  placeholder: string;
  registry: PortalRegistry;
  values: EditorValues;
  host: RefObject<TextHost | null>;
  make: NonNullable<CompletionFacts['make']>;
  onRemoved: () => void;
}

/**
 * Opens an editor on a note and joins it with the store, as long as the component is there: what is typed is saved, what changes elsewhere
 * comes in, and when the component goes the text stays until all of it is durable.
 *
 * @param editor comes to hold the editor as long as it is open
 * @returns why its text is shown plainly, when it is too heavy
 */
export function useOpenEditor(editor: RefObject<OpenEditor | null>, opening: Opening): Heaviness | null {
  const [heavy, setHeavy] = useState<Heaviness | null>(null);
  const { store, texts, clock, commands, places } = useServices();
  const dispatch = useAppDispatch();
  const latest = useLatest({
    ...opening,
    settings: useAppSelector((state) => state.settings),
    overview: useAppSelector((state) => state.library.overview),
    recent: useAppSelector((state) => state.frame.recent),
    keys: useCommandKeys(),
  });
  const tellCursor = useCursorTold();

  useEffect(() => {
    const { parent, path, stored, autoFocus, beside, plain, placeholder, registry, values, host } = latest.current;
    if (!parent.current) return;
    // What of it could not be stored yet is what a person wrote last.
    const text = texts.waiting(path) ?? stored;
    const context = () => actionContext(latest.current.settings, clock.now(), latest.current.overview?.statuses);
    const run = (id: Parameters<typeof runTextCommand>[1]): boolean => host.current !== null && runTextCommand(view, id, host.current);
    let surface: EditorSurface | null = null;
    const { view, follow, complete } = makeEditor({
      parent: parent.current,
      path,
      text: editorText(text ?? ''),
      hint: placeholder,
      plain,
      onlyRead: store.db.onlyRead,
      label: beside ? 'Text kept beside' : 'Text of the note',
      registry,
      values,
      context,
      offers: () => latest.current.settings.offers,
      takeKey: () => (BY_TOUCH ? '' : keyName(latest.current.keys.get('text-take') ?? '')),
      onHeavy: setHeavy,
      onTake: () => void run('text-take'),
      facts: {
        overview: () => latest.current.overview,
        recent: () => latest.current.recent,
        headings: (other) => headingsOf(store, other),
        make: (name, kind) => latest.current.make(name, kind),
        calendar: (what) => {
          const [task] = selectedTasks(view);
          if (task) host.current?.dates([task], what);
        },
        context,
      },
      onUpdate: (update) => {
        for (const transaction of update.transactions) editor.current?.order.watch(transaction);
        const isTyped = surface?.watch(update) ?? false;
        if (isTyped) editor.current?.open.typed();
        if (update.selectionSet || isTyped) {
          const { anchor, head } = update.state.selection.main;
          const cursor = { path: latest.current.path, anchor, head };
          if (!beside) places.moved(cursor);
          if (isTyped) places.wrote(cursor);
        }
        tellCursor.current(latest.current.path, update);
      },
    });
    surface = new EditorSurface(view);
    const open = writeNote(texts, path, stored, surface, () => latest.current.onRemoved());
    const order = new UndoOrder(
      () => open.path,
      view,
      store,
      () => open.settle(),
      {
        undone: (label) => say(`Undone: ${label}`),
        redone: (label) => say(`Done again: ${label}`),
        refused: (reason) => refuse(reason),
      },
    );
    editor.current = { view, open, order, follow, complete };
    dispatch(frameSlice.actions.opened(path));
    // What was opened over the page meanwhile keeps the focus.
    if (autoFocus && !isAsking()) view.focus();
    const does: TextCommands = {
      run,
      undo: (step) => (step === undefined ? order.undo() : order.undoStep(step)),
      redo: () => order.redo(),
    };
    // Of two texts the one that was written in last is meant; until then the one in the middle.
    let leave = beside ? () => undefined : commands.hold('text', does);
    view.dom.addEventListener('focusin', () => (leave = commands.hold('text', does)));
    return () => {
      leave();
      order.destroy();
      editor.current = null;
      keepFolds(view.state, open.path);
      dispatch(frameSlice.actions.cursorMoved(null));
      void texts.end(open);
      view.destroy();
    };
  }, [editor, store, texts, latest, tellCursor, clock, commands, places, dispatch]);
  return heavy;
}

/** Tells the page on which line the cursor is, and how many words are selected; within a line nothing else on the page follows it. */
function useCursorTold(): RefObject<(path: string, update: ViewUpdate) => void> {
  const dispatch = useAppDispatch();
  const told = useRef({ line: -1, words: 0 });
  return useLatest((path: string, update: ViewUpdate): void => {
    if (!update.selectionSet && !update.docChanged) return;
    const { main } = update.state.selection;
    const line = update.state.doc.lineAt(main.head).number - 1;
    const words = main.empty ? 0 : wordsIn(update.state.sliceDoc(main.from, Math.min(main.to, main.from + 200_000)));
    if (line === told.current.line && words === told.current.words) return;
    told.current = { line, words };
    dispatch(frameSlice.actions.cursorMoved({ path, line, words }));
  });
}

const wordsIn = (text: string): number => text.match(/[\p{L}\p{N}][\p{L}\p{M}\p{N}'’-]*/gu)?.length ?? 0;
