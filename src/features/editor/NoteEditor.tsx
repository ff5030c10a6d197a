import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { markdown, markdownLanguage } from '@codemirror/lang-markdown';
import { search, searchKeymap } from '@codemirror/search';
import { Compartment, EditorState } from '@codemirror/state';
import { EditorView, drawSelection, keymap, placeholder } from '@codemirror/view';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { createPortal } from 'react-dom';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { editorText } from '../../core/note/line-endings';
import { act as actOnText } from '../../core/task/act';
import type { ActionContext } from '../../core/task/action-context';
import { echoRefOf } from '../../core/task/echo';
import { progressOf } from '../../core/task/progress';
import { STATUS_NAMES, type Status, isOpen } from '../../core/task/status';
import type { Task } from '../../core/task/task';
import { GatherBlock } from '../gather/GatherBlock';
import { actionContext } from '../session/action-context';
import { noteAddress, personAddress, tagAddress } from '../session/addresses';
import { useNow, useServices } from '../session/services';
import { useAppSelector } from '../session/state';
import { shorten, useAct } from '../session/use-act';
import { FrontMatterLine } from './FrontMatterLine';
import { PortalRegistry, blockDecorations } from './block-decorations';
import { type EditorContext, contextChanged, editorContext } from './editor-context';
import { foundLine, showLine } from './found-line';
import { leavingLines } from './leaving-lines';
import { followNames, lineDecorations } from './line-decorations';
import { noteField, notePath, noteReading } from './note-field';
import { NoteSession, fromStore } from './note-session';
import { useReading, useRefProblems, useSharedNames } from './use-library-facts';
import { taskKeys } from './task-keys';
import { editorTheme } from './theme';

interface NoteEditorProps {
  path: string;
  /** What is stored; null when the note is made by writing in it. */
  stored: string | null;
  /** The line to show (from 0); null for none. */
  line: number | null;
  autoFocus: boolean;
  placeholder: string;
  onRemoved: () => void;
}

/** The text of a note: plain Markdown, with live task marks, chips and gathers over it. */
export function NoteEditor({ path, stored, line, autoFocus, placeholder: hint, onRemoved }: NoteEditorProps) {
  const parent = useRef<HTMLDivElement>(null);
  const editor = useRef<{ view: EditorView; session: NoteSession; context: Compartment; reading: Compartment } | null>(null);
  const [registry] = useState(() => new PortalRegistry());
  const { store, actions, engine, clock } = useServices();
  const navigate = useNavigate();
  const { act } = useAct();
  const { day: today } = useNow();
  const { dateStyle: style, workingDay } = useAppSelector((state) => state.settings);
  const sharedNames = useSharedNames();
  const readingSettings = useReading();
  const refProblems = useRefProblems(path);
  const settings = useLatest(useAppSelector((state) => state.settings));
  const first = useRef({ stored, autoFocus, hint, onRemoved });

  useEffect(() => {
    if (!parent.current) return;
    const context = new Compartment();
    const reading = new Compartment();
    const { stored: text, autoFocus: focus, hint: words, onRemoved: removed } = first.current;
    const view = new EditorView({
      parent: parent.current,
      state: EditorState.create({
        doc: editorText(text ?? ''),
        extensions: [
          notePath.of(path),
          reading.of([]),
          noteField,
          context.of([]),
          history(),
          drawSelection(),
          keymap.of([...taskKeys, ...searchKeymap, ...historyKeymap, ...defaultKeymap]),
          search({ top: true }),
          markdown({ base: markdownLanguage, addKeymap: false }),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ 'aria-label': 'Text of the note', spellcheck: 'true' }),
          placeholder(words),
          lineDecorations,
          blockDecorations(registry),
          followNames,
          foundLine,
          leavingLines(() => actionContext(settings.current, clock.now())),
          editorTheme,
          EditorView.updateListener.of((update) => {
            if (update.docChanged && !update.transactions.some((one) => one.annotation(fromStore))) editor.current?.session.typed();
          }),
        ],
      }),
    });
    const session = new NoteSession(path, view, text, store, actions, {
      conflict: (other) =>
        toast.warning(`The note was changed elsewhere at the same place. Both texts are kept: the other one is “${other}”.`, {
          duration: 12000,
        }),
      failed: () => toast.error('The note could not be saved. Its text stays here; copy it out before you close the page.'),
      removed: () => removed(),
    });
    editor.current = { view, session, context, reading };
    if (focus) view.focus();
    const leave = (): void => void session.save();
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', leave);
      editor.current = null;
      void session.end().then(() => undefined);
      view.destroy();
    };
  }, [path, store, actions, registry, settings, clock]);

  useEffect(() => {
    const open = editor.current;
    if (!open) return;
    const { view, session, context, reading } = open;
    const askSteps = (task: Task, status: Status, openSteps: number): void => {
      const ref = { path, line: task.line, expected: task.raw };
      // What is written goes first, so that the answer finds the line as it stands here.
      void session.save().then(() => act(ref, task.text, { do: 'status', status }, openSteps));
    };
    const value: EditorContext = {
      today,
      style,
      workingDay,
      refProblems,
      sharedNames,
      tick: (index) => tickLine(view, session, index, actionContext(settings.current, clock.now()), askSteps),
      follow: (target) => {
        if (target.is === 'tag') void navigate(tagAddress(target.name));
        else if (target.is === 'person') void navigate(personAddress(target.name));
        else
          void engine.resolve(target.name, path).then((found) => {
            if (found !== null) void navigate(noteAddress(found));
            else toast(`There is no note “${target.name}” yet.`);
          });
      },
    };
    view.dispatch({
      effects: [
        context.reconfigure(editorContext.of(value)),
        reading.reconfigure(noteReading.of(readingSettings)),
        contextChanged.of(null),
      ],
    });
  }, [path, today, style, workingDay, readingSettings, refProblems, sharedNames, settings, clock, engine, navigate, act]);

  useEffect(() => {
    if (line !== null && editor.current) showLine(editor.current.view, line);
  }, [path, line]);

  return (
    <>
      <div ref={parent} data-testid="note-editor" />
      <Portals registry={registry} path={path} view={() => editor.current?.view ?? null} />
    </>
  );
}

/** The newest value, for what is called later. */
function useLatest<T>(value: T): { readonly current: T } {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  }, [value]);
  return latest;
}

type AskSteps = (task: Task, status: Status, openSteps: number) => void;

/** How many steps of a task are open, at any depth. */
function openStepsIn(view: EditorView, task: Task): number {
  const { tasks } = view.state.field(noteField);
  const { all, allDone } = progressOf(tasks)[tasks.indexOf(task)] ?? { all: 0, allDone: 0 };
  return all - allDone;
}

/** Ticks or reopens the task on a line of the editor, saves it, and offers Undo. */
function tickLine(view: EditorView, session: NoteSession, index: number, context: ActionContext, askSteps: AskSteps): void {
  const task = view.state.field(noteField).tasks.find((one) => one.line === index);
  if (!task) return;
  const status = isOpen(task.status) ? 'done' : 'todo';
  const openSteps = isOpen(task.status) ? openStepsIn(view, task) : 0;
  if (openSteps > 0 || task.ref !== null || echoRefOf(task.text) !== null) {
    askSteps(task, status, openSteps);
    return;
  }
  const text = view.state.doc.toString();
  const outcome = actOnText(text, { line: index, expected: task.raw }, { do: 'status', status }, context);
  if ('refused' in outcome) {
    toast.error(outcome.refused);
    return;
  }
  view.dispatch({ changes: outcome.changes, userEvent: 'input.tick' });
  void session.save(`${STATUS_NAMES[status]}: ${shorten(task.text)}`);
}

interface PortalsProps {
  registry: PortalRegistry;
  path: string;
  view: () => EditorView | null;
}

/** Fills the places that the editor keeps free. */
function Portals({ registry, path, view }: PortalsProps) {
  const portals = useSyncExternalStore(registry.listen, registry.list);
  const edit = (container: HTMLElement): void => {
    const open = view();
    if (!open) return;
    open.focus();
    open.dispatch({ selection: { anchor: Math.min(open.posAtDOM(container) + 1, open.state.doc.length) }, scrollIntoView: true });
  };
  return portals.map((portal, index) =>
    createPortal(
      portal.is === 'gather' ? (
        <GatherBlock text={portal.text} at={path} onEdit={() => edit(portal.container)} />
      ) : (
        <FrontMatterLine text={portal.text} onEdit={() => edit(portal.container)} />
      ),
      portal.container,
      `${portal.is} ${index}`,
    ),
  );
}
