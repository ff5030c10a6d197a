import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { refuse, say } from '../session/acting/messages';
import { editorText } from '../../core/note/blocks/line-endings';
import type { Status } from '../../core/task/line/status';
import type { Task } from '../../core/task/line/task';
import { keyName } from '../commands/command';
import { useCommandKeys } from '../commands/use-key-of';
import { headingsOf } from '../note/note-headings';
import type { Heaviness } from './look/heavy-text';
import { actionContext } from '../session/acting/action-context';
import { frameSlice } from '../session/state/frame-slice';
import { useNow, useServices } from '../session/state/services';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import type { DialogTask, TaskDialog } from '../session/acting/task-dialog';
import { useAct } from '../session/acting/use-act';
import { useReading } from '../session/state/use-reading';
import { CloseUpTrail } from './reading/CloseUpTrail';
import { FinishedSwitch } from './reading/FinishedSwitch';
import { InsertMenu } from './commands/InsertMenu';
import { Portals } from './Portals';
import { PortalRegistry } from './look/block-decorations';
import { closeUpAt, closeUpOf, closeUpOn, trailOf } from './reading/close-up';
import type { CompletionFacts } from './reading/completion';
import type { EditorContext } from './reading/editor-context';
import { keepFolds } from './reading/folding';
import { showLine } from './look/found-line';
import { type EditorValues, type MadeEditor, makeEditor } from './make-editor';
import { noteNow } from './reading/note-field';
import { EditorSurface } from './editor-surface';
import { type TextHost, runTextCommand } from './commands/run-command';
import { raiseLine, selectedTasks } from './commands/task-commands';
import { commandKeys } from './commands/task-keys';
import { insertPiece } from './look/text-marks';
import { tickLines } from './editing/tick-lines';
import { UndoOrder } from './editing/undo-order';
import { TouchBar } from './commands/TouchBar';
import { useFollow } from './reading/use-follow';
import { useKnownPeople, useRefProblems, useSharedNames } from './reading/use-library-facts';
import { BY_TOUCH } from '../../ui/by-touch';
import { useLatest } from '../../ui/use-latest';
import type { OpenText } from '../../store/texts/open-text';
import { writeNote } from '../../store/notes/write-note';
import { useLineParameter } from '../session/places/routes';

interface NoteEditorProps {
  /** May become another while the note is moved: the editor stays. For another note it must be made anew. */
  path: string;
  title: string;
  /** What is stored; null when the note is made by writing in it. */
  stored: string | null;
  /** The line to show (from 0); null for none. */
  line: number | null;
  autoFocus: boolean;
  placeholder: string;
  onRemoved: () => void;
}

interface Opened extends MadeEditor {
  open: OpenText;
  order: UndoOrder;
}

/** The text of a note: plain Markdown, with live task marks, chips and gathers over it. */
export function NoteEditor({ path, title, stored, line, autoFocus, placeholder: hint, onRemoved }: NoteEditorProps) {
  const parent = useRef<HTMLDivElement>(null);
  const editor = useRef<Opened | null>(null);
  const [registry] = useState(() => new PortalRegistry());
  const [inserting, setInserting] = useState(false);
  const [writing, setWriting] = useState(false);
  const { store, actions, texts, clock, commands } = useServices();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const { actAll } = useAct();
  const { day: today } = useNow();
  const settings = useAppSelector((state) => state.settings);
  const latestSettings = useLatest(settings);
  const latestOverview = useLatest(useAppSelector((state) => state.library.overview));
  const latestRecent = useLatest(useAppSelector((state) => state.frame.recent));
  const keys = useCommandKeys();
  const latestKeys = useLatest(keys);
  const sharedNames = useSharedNames();
  const readingSettings = useReading();
  const refProblems = useRefProblems(path);
  const finished = useAppSelector((state) => state.frame.finished[path] ?? state.settings.finished);
  const close = useLineParameter('close');
  const [heavy, setHeavy] = useState<Heaviness | null>(null);
  const [trail, setTrail] = useState<{ line: number; words: string }[]>([]);
  const first = useRef({ stored, autoFocus, hint });
  const latest = useLatest({ path, onRemoved });
  const host = useRef<TextHost | null>(null);
  const told = useRef({ line: -1, words: 0 });

  const closeOn = useCallback(
    (index: number | null): void => void navigate({ search: index === null ? '' : `?close=${index + 1}` }),
    [navigate],
  );
  const makeNote = useCallback<CompletionFacts['make']>(
    (name, kind) => {
      const folder = kind === 'person' ? 'People' : path.split('/').slice(0, -1).join('/');
      void actions.create(folder, name, kind === 'person' ? `---\nkind: person\nhandle: ${name}\n---\n` : '').then((made) => {
        if ('refused' in made) refuse(made.refused);
        else say(`Made ${made.path}`);
      });
    },
    [actions, path],
  );
  const latestMake = useLatest(makeNote);
  const knownPeople = useKnownPeople();
  const repairKey = BY_TOUCH ? '' : keyName(keys.get('text-repair') ?? '');

  const { dateStyle: style, workingDay } = settings;
  const follow = useFollow(path);
  const shownContext = useMemo(
    (): EditorContext => ({
      today,
      style,
      workingDay,
      refProblems,
      sharedNames,
      knownPeople,
      repairKey,
      action: () => actionContext(latestSettings.current, clock.now()),
      tick: (index) => host.current?.tick([index]),
      raise: (index) => host.current?.raise(index),
      run: (id, index) => {
        const view = editor.current?.view;
        if (!view || !host.current) return;
        view.dispatch({ selection: { anchor: view.state.doc.line(index + 1).from } });
        runTextCommand(view, id, host.current);
      },
      follow,
    }),
    [today, style, workingDay, refProblems, sharedNames, knownPeople, repairKey, latestSettings, clock, follow],
  );
  const bindings = useMemo(
    () => commandKeys(keys, (target, id) => host.current !== null && runTextCommand(target, id, host.current)),
    [keys],
  );
  const hidesFinished = finished === 'hide';
  const values = useMemo<EditorValues>(
    () => ({ context: shownContext, reading: readingSettings, keys: bindings, hidesFinished }),
    [shownContext, readingSettings, bindings, hidesFinished],
  );
  const latestValues = useLatest(values);

  useEffect(() => {
    if (!parent.current) return;
    const { stored: there, autoFocus: focus, hint: words } = first.current;
    const { path: firstPath } = latest.current;
    // What of it could not be stored yet is what a person wrote last.
    const text = texts.waiting(firstPath) ?? there;
    const context = () => actionContext(latestSettings.current, clock.now());
    let surface: EditorSurface | null = null;
    const { view, follow, complete } = makeEditor({
      parent: parent.current,
      path: firstPath,
      text: editorText(text ?? ''),
      hint: words,
      registry,
      values: latestValues.current,
      context,
      takeKey: () => (BY_TOUCH ? '' : keyName(latestKeys.current.get('text-take') ?? '')),
      onHeavy: setHeavy,
      onTake: (open) => void (host.current && runTextCommand(open, 'text-take', host.current)),
      facts: {
        overview: () => latestOverview.current,
        recent: () => latestRecent.current,
        headings: (other) => headingsOf(store, other),
        make: (name, kind) => latestMake.current(name, kind),
        calendar: (what) => {
          const { current } = editor;
          const [task] = current ? selectedTasks(current.view) : [];
          if (task) host.current?.dates([task], what);
        },
        context,
      },
      onUpdate: (update) => {
        for (const transaction of update.transactions) editor.current?.order.watch(transaction);
        if (surface?.watch(update)) editor.current?.open.typed();
        if (!update.selectionSet && !update.docChanged) return;
        const { main } = update.state.selection;
        const at = update.state.doc.lineAt(main.head).number - 1;
        const selected = main.empty ? 0 : wordsIn(update.state.sliceDoc(main.from, Math.min(main.to, main.from + 200_000)));
        // Within a line nothing else on the page follows the cursor.
        if (at === told.current.line && selected === told.current.words) return;
        told.current = { line: at, words: selected };
        dispatch(frameSlice.actions.cursorMoved({ path: latest.current.path, line: at, words: selected }));
      },
    });
    surface = new EditorSurface(view);
    const open = writeNote(texts, firstPath, there, surface, () => latest.current.onRemoved());
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
    dispatch(frameSlice.actions.opened(firstPath));
    if (focus) view.focus();
    const leave = commands.hold('text', {
      run: (id) => host.current !== null && runTextCommand(view, id, host.current),
      undo: (step) => (step === undefined ? order.undo() : order.undoStep(step)),
      redo: () => order.redo(),
    });
    return () => {
      leave();
      order.destroy();
      editor.current = null;
      keepFolds(view.state, open.path);
      dispatch(frameSlice.actions.cursorMoved(null));
      void texts.end(open);
      view.destroy();
    };
  }, [
    store,
    texts,
    registry,
    latest,
    latestMake,
    latestSettings,
    latestOverview,
    latestRecent,
    latestKeys,
    latestValues,
    clock,
    commands,
    dispatch,
  ]);

  useEffect(() => {
    const open = editor.current;
    if (!open) return;
    const { view, open: text, order } = open;
    const saveStep = (label: string): void => {
      order.savesStep();
      void text.save(label);
    };
    const elsewhere = (tasks: readonly { task: Task; openSteps: number }[], status: Status): void => {
      const all = tasks.map(({ task, openSteps }) => ({ ref: { path, line: task.line, expected: task.raw }, text: task.text, openSteps }));
      void actAll(all, [{ do: 'status', status }]);
    };
    const context = () => actionContext(latestSettings.current, clock.now());
    const tick = (lines: readonly number[]): void =>
      void tickLines(view, text, lines, {
        context: context(),
        sinks: finished === 'sink',
        elsewhere,
        saveStep,
        told: (reason) => refuse(reason),
      });
    const askAbout = (asked: DialogTask[], dialog: (asked: DialogTask[]) => TaskDialog): void => {
      // What is written goes first, so that the answer finds the lines as they stand here.
      void text.save().then(() => dispatch(frameSlice.actions.dialogShown(dialog(asked))));
    };
    const asked = (tasks: readonly Task[]): DialogTask[] =>
      tasks.map((task) => ({ ref: { path, line: task.line, expected: task.raw }, text: task.text }));
    host.current = {
      context,
      tick,
      raise: (index) => raiseLine(view, index, context()),
      details: (index) => {
        const raw = view.state.doc.line(index + 1).text;
        askAbout([{ ref: { path, line: index, expected: raw }, text: raw }], ([task]) => ({ is: 'details', task: task as DialogTask }));
      },
      dates: (tasks, what) => askAbout(asked(tasks), (all) => ({ is: 'day', tasks: all, what })),
      names: (tasks) => askAbout(asked(tasks), (all) => ({ is: 'names', tasks: all })),
      remark: (tasks, status) => askAbout(asked(tasks), (all) => ({ is: 'remark', tasks: all, status })),
      closeUp: (index) => {
        const range = closeUpAt(view.state, index);
        closeOn(range && view.state.doc.lineAt(range.from).number - 1);
      },
      wider: () => closeOn(trail.at(-1)?.line ?? null),
      insertMenu: () => setInserting(true),
      makePerson: (handle) => makeNote(handle, 'person'),
      told: (reason) => refuse(reason),
      undo: () => order.undo(),
      redo: () => order.redo(),
    };
  }, [path, finished, trail, latestSettings, clock, closeOn, dispatch, actAll, makeNote]);

  useEffect(() => editor.current?.follow(values), [values]);

  useEffect(() => {
    const view = editor.current?.view;
    if (!view) return;
    const at = close !== null && close < view.state.doc.lines ? close : null;
    const range = at === null ? null : closeUpAt(view.state, at);
    if (range === null && closeUpOf(view.state) === null) return;
    view.dispatch({ effects: closeUpOn.of(range), ...(range && { selection: { anchor: view.state.doc.lineAt(range.from).to } }) });
    setTrail(range && at !== null ? trailOf(noteNow(view.state), at) : []);
  }, [path, close]);

  useEffect(() => {
    const open = editor.current;
    if (line === null || !open) return;
    // What folds above would move the line away.
    open.complete();
    showLine(open.view, line);
  }, [path, line]);

  const shownAlone = close !== null;
  return (
    <>
      <div className="no-print mb-1 flex min-h-8 items-center gap-2">
        {shownAlone ? <CloseUpTrail title={title} trail={trail} onShow={closeOn} /> : <FinishedSwitch path={path} />}
        <span className="ms-auto">
          <InsertMenu
            open={inserting}
            onOpenChange={setInserting}
            title={title}
            onLeave={() => editor.current?.view.focus()}
            onInsert={(piece, block) => editor.current && insertPiece(editor.current.view, piece, block)}
          />
        </span>
      </div>
      {heavy !== null && (
        <p role="status" className="mb-2 rounded-md bg-sun-soft px-3 py-1.5">
          This text is shown plainly, without marks and colours, because {heavy}. Every letter of it is kept, and its tasks stand in lists.
        </p>
      )}
      <div
        ref={parent}
        data-testid="note-editor"
        onFocus={() => setWriting(true)}
        onBlur={(event) => setWriting(event.currentTarget.contains(event.relatedTarget))}
      />
      {BY_TOUCH && writing && (
        <TouchBar onRun={(id) => editor.current && host.current && runTextCommand(editor.current.view, id, host.current)} />
      )}
      <Portals registry={registry} path={path} view={() => editor.current?.view ?? null} />
    </>
  );
}

const wordsIn = (text: string): number => text.match(/[\p{L}\p{N}][\p{L}\p{M}\p{N}'’-]*/gu)?.length ?? 0;
