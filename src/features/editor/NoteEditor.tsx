import { personText } from '../../core/template/name-text';
import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';
import { NavigationType, useLocation, useNavigate, useNavigationType } from 'react-router';
import { isAsking } from '../../ui/asking';
import { BY_TOUCH } from '../../ui/input/by-touch';
import { useLatest } from '../../ui/use-latest';
import { refuse, say } from '../session/telling/messages';
import { folderOf } from '../../core/note/names/path';
import { followRoute } from '../session/places/route-clicks';
import { noteAddress } from '../session/places/addresses';
import type { Cursor } from '../session/places/place-words';
import { useLineParameter } from '../session/places/routes';
import { useServices } from '../session/state/services';
import { frameSlice } from '../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { putPictures } from './editing/take-pictures';
import { InsertMenu } from './commands/InsertMenu';
import { TouchBar } from './commands/TouchBar';
import { runTextCommand } from './commands/run-command';
import type { TextHost } from './commands/text-host';
import { PortalRegistry } from './look/block-decorations';
import { showCursor, showLine } from './look/found-line';
import { insertPiece } from './look/text-marks';
import { Portals } from './Portals';
import { CloseUpTrail } from './folding/CloseUpTrail';
import type { CompletionFacts } from './reading/completion';
import { FinishedSwitch } from './folding/FinishedSwitch';
import type { OpenEditor } from './session/open-editor';
import { useCloseUp } from './session/use-close-up';
import { useEditorValues } from './session/use-editor-values';
import { useOpenEditor } from './session/use-open-editor';
import { useTextHost } from './session/use-text-host';

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
  /** Whether it stands beside the page; it then follows nothing of the page's address. */
  beside?: boolean;
  /** Whether it is shown as it is stored, without marks, chips and gathers. */
  plain?: boolean;
  onRemoved: () => void;
}

/** The text of a note: plain Markdown, with live task marks, chips and gathers over it. */
export function NoteEditor({
  path,
  title,
  stored,
  line,
  autoFocus,
  placeholder,
  beside = false,
  plain = false,
  onRemoved,
}: NoteEditorProps) {
  const parent = useRef<HTMLDivElement>(null);
  const editor = useRef<OpenEditor | null>(null);
  const host = useRef<TextHost | null>(null);
  const [registry] = useState(() => new PortalRegistry());
  const [inserting, setInserting] = useState(false);
  const [writing, setWriting] = useState(false);
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const finished = useAppSelector((state) => state.frame.finished[path] ?? state.settings.finished);
  const closeOfPage = useLineParameter('close');
  const close = beside ? null : closeOfPage;
  const closeOn = useCallback(
    (at: number | null): void =>
      void navigate({ ...(beside && { pathname: noteAddress(path) }), search: at === null ? '' : `?close=${at + 1}` }),
    [navigate, beside, path],
  );
  const make = useMakeNote(path);
  const values = useEditorValues(path, finished === 'hide', editor, host);
  const opening = { parent, path, stored, autoFocus, beside, plain, placeholder, registry, values, host, make, onRemoved };
  const heavy = useOpenEditor(editor, opening);
  const trail = useCloseUp(editor, path, close);
  useTextHost(host, editor, {
    path,
    sinks: finished === 'sink',
    closeOn,
    wider: () => trail.at(-1)?.line ?? null,
    insertMenu: () => setInserting(true),
    makeNote: useLinkedNote(path, beside),
    makePerson: (handle) => make(handle, 'person'),
  });
  useEffect(() => editor.current?.follow(values), [editor, values]);
  useArrival(editor, path, line, beside);
  return (
    <>
      <div className="no-print mb-1 flex min-h-8 items-center gap-2">
        {close !== null ? <CloseUpTrail title={title} trail={trail} onShow={closeOn} /> : <FinishedSwitch path={path} />}
        <span className="ms-auto">
          <InsertMenu
            open={inserting}
            onOpenChange={setInserting}
            title={title}
            onLeave={() => editor.current?.view.focus()}
            onPictures={(files) => editor.current && void putPictures(editor.current.view, files)}
            onInsert={(piece) => editor.current && insertPiece(editor.current.view, piece)}
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
        data-takes-pictures
        onClick={(event) => followRoute(event, navigate)}
        onFocus={() => setWriting(true)}
        onBlur={(event) => setWriting(event.currentTarget.contains(event.relatedTarget))}
      />
      {BY_TOUCH && writing && (
        <TouchBar
          onRun={(id) => editor.current && host.current && runTextCommand(editor.current.view, id, host.current)}
          onAll={() => dispatch(frameSlice.actions.dialogShown({ is: 'commands' }))}
        />
      )}
      <Portals registry={registry} path={path} view={() => editor.current?.view ?? null} />
    </>
  );
}

/** Shows the line (from 0) that the address asks for; where somebody returns to, or wrote last, the cursor stands where it was. */
function useArrival(editor: RefObject<OpenEditor | null>, path: string, line: number | null, beside: boolean): void {
  const { places } = useServices();
  const location = useLocation();
  const arrival = beside ? '' : location.key;
  const asked = beside ? null : cursorOf(location.state);
  const latest = useLatest({ asked, isSame: useNavigationType() === NavigationType.Replace });
  const shown = useRef<number | null | undefined>(undefined);
  useEffect(() => {
    const open = editor.current;
    if (!open) return;
    // An address that only says the same place in other words moves nothing.
    if (latest.current.isSame && shown.current === line) return;
    shown.current = line;
    const back = beside ? null : places.cursorIn(path);
    const cursor = back ?? latest.current.asked;
    if (cursor === null && line === null) return;
    // What folds above would move the line away.
    open.complete();
    if (cursor === null) return showLine(open.view, line ?? 0);
    showCursor(open.view, cursor, back === null);
    if (!BY_TOUCH && !isAsking()) open.view.focus();
  }, [editor, path, line, arrival, beside, places, latest]);
}

/** The cursor that the way to a page brings along. */
function cursorOf(state: unknown): Cursor | null {
  return typeof state === 'object' && state !== null && 'cursor' in state ? (state.cursor as Cursor) : null;
}

/** Makes a note that a link or a person’s name needs, beside the one that is written in. */
function useMakeNote(path: string): NonNullable<CompletionFacts['make']> {
  const { actions } = useServices();
  return useCallback(
    (name, kind) => {
      const folder = kind === 'person' ? 'People' : path.split('/').slice(0, -1).join('/');
      void actions.create(folder, name, kind === 'person' ? personText(name) : '').then((made) => {
        if ('refused' in made) refuse(made.refused);
        else say(`Made ${made.path}`);
      });
    },
    [actions, path],
  );
}

/** Makes a note for words that link to it now, and goes there; Back returns to the line they stand in. */
function useLinkedNote(path: string, beside: boolean): (title: string, line: number) => void {
  const { actions, engine } = useServices();
  const navigate = useNavigate();
  return useCallback(
    (title, line) => {
      const go = (to: string): void => {
        if (!beside) void navigate({ search: `?line=${line + 1}` }, { replace: true });
        void navigate(noteAddress(to));
      };
      void engine.ask('resolve', { target: title, from: path }).then(async (there) => {
        if (there !== null) return go(there);
        const made = await actions.create(folderOf(path), title, '');
        if ('refused' in made) refuse(made.refused);
        else go(made.path);
      });
    },
    [actions, engine, navigate, path, beside],
  );
}
