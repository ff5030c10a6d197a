import { Pencil } from 'lucide-react';
import { useId, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { refuse, say } from '../../session/telling/messages';
import { shippedAs, shippedPath } from '../../../core/agenda/shipped-names';
import { type Narrowing, isNarrowed } from '../../../core/gather/answer/narrow';
import { folderOf } from '../../../core/note/names/path';
import { readFrame } from '../../../core/note/facts/note-frame';
import { Later } from '../../../ui/Later';
import { Menu, MenuEntry } from '../../../ui/menu/menu';
import { isWide } from '../../gather/list/forms';
import { Sheet } from '../../note/page/Sheet';
import { PinEntry } from '../../frame/rack/PinEntry';
import { noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch } from '../../session/state/state';
import { useListAnswers } from '../../session/asked/use-answer';
import { useToldDone } from '../../session/acting/use-act';
import { AgendaLists, NothingHere } from './AgendaLists';
import { CarryForward } from './CarryForward';
import { NarrowBar } from './NarrowBar';
import { Prose } from './Prose';
import { PAGE_TOPS } from './page-tops';
import { agendaParts } from './parts';
import { useParameter } from '../../session/places/routes';
import { useSides } from './use-sides';
import { late } from '../../../ui/late';

const LeftOut = late(() => import('./LeftOut').then((part) => part.LeftOut));
const FileEntries = late(() => import('../../note/acts/FileEntries').then((part) => part.FileEntries));
const NewText = late(() => import('./NewText').then((part) => part.NewText));

interface AgendaPageProps {
  path: string;
  title: string;
  text: string;
  onEdit: () => void;
}

/** An agenda page as a working page: its words and headings, and between them its gathers, in one column or several. */
export function AgendaPage({ path, title, text, onEdit }: AgendaPageProps) {
  const note = useMemo(() => readFrame(text), [text]);
  const parts = useMemo(() => agendaParts(note), [note]);
  // What the page says first stands in its head, above what narrows the lists.
  const [first] = parts;
  const intro = first?.is === 'prose' ? first : null;
  const only = useParameter('only');
  const [typed, setTyped] = useState<Omit<Narrowing, 'only'>>({ typed: '', chosen: [], resting: false });
  const sides = useSides();
  const narrowing = useMemo(() => ({ ...typed, only, sides }), [typed, only, sides]);
  const lists = useId();
  const answers = useListAnswers(lists, 0, note.gathers.length);
  const shown = useMemo(() => answers.filter((answer) => answer !== undefined), [answers]);
  const { actions } = useServices();
  const told = useToldDone();
  const shipped = shippedAs(path);
  const own = useMemo(() => note.gathers.map((gather) => gather.text), [note]);
  const restore = async (): Promise<void> => {
    const { SHIPPED_PAGES } = await import('../../../core/agenda/shipped');
    const page = SHIPPED_PAGES.find((one) => one.path === shipped);
    if (!page) return;
    const result = await actions.replace(path, page.text, `Restored: ${title}`);
    if ('refused' in result) refuse(result.refused);
    else if (result.step === null) say('This page is as it was shipped.');
    else told(`Restored: ${title}`, result.step);
  };
  const empty =
    shown.length > 0 && shown.length === note.gathers.length && shown.every((answer) => answer.total === 0 && answer.errors.length === 0);
  const Top = shipped === null ? null : (PAGE_TOPS[shipped] ?? null);
  const columns = Math.min(3, Math.max(1, Number(note.front.fields['columns']) || 1));
  return (
    <Sheet title={title} wide={columns > 1 || own.some(isWide)}>
      <header className="mb-3">
        <p className="text-[0.86rem] text-muted">{folderOf(path).replaceAll('/', ' › ') || 'Notes'}</p>
        <div className="flex items-start justify-between gap-4">
          <h1 className="font-title text-[1.86rem] leading-tight font-bold">{title}</h1>
          <PageMenu path={path} title={title} text={text} onEdit={onEdit} onRestore={shipped ? () => void restore() : null} />
        </div>
        {intro && <Prose text={intro.text} spans={false} />}
      </header>
      {shipped && (
        <Later after={1000}>
          <NewText path={shipped} onTake={() => void restore()} />
        </Later>
      )}
      <NarrowBar narrowing={narrowing} onChange={setTyped} answers={shown} />
      {shipped === shippedPath('Today') && <CarryForward answers={shown} />}
      {Top && <Top />}
      <div
        className={columns > 1 ? 'grid items-start gap-x-8 md:grid-cols-[repeat(var(--columns),minmax(0,1fr))]' : undefined}
        style={{ '--columns': columns } as React.CSSProperties}
      >
        {(intro ? parts.slice(1) : parts).map((part) =>
          part.is === 'prose' ? (
            <Prose key={part.key} text={part.text} spans={columns > 1} />
          ) : (
            <AgendaLists
              key={part.key}
              path={path}
              gathers={part.gathers}
              look="page"
              narrowing={narrowing}
              saysEmpty={false}
              titled={note.gathers.length > 1 || Top !== null}
              lists={lists}
              first={part.first}
            />
          ),
        )}
      </div>
      {/* What stands above the lists has its own words. */}
      {empty && (Top === null || isNarrowed(narrowing)) && <NothingHere narrowed={isNarrowed(narrowing)} />}
      {!shipped && own.length > 1 && (
        <Later after={300}>
          <LeftOut gathers={own} />
        </Later>
      )}
      {note.gathers.length === 0 && (
        <p className="text-muted">This page holds no gathers yet. Edit it and write one in a block that begins with ```gather.</p>
      )}
    </Sheet>
  );
}

/** Editing, copying and restoring an agenda page. */
function PageMenu({ path, title, text, onEdit, onRestore }: AgendaPageProps & { onRestore: (() => void) | null }) {
  const { actions } = useServices();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const copy = async (): Promise<void> => {
    const made = await actions.create(folderOf(path), `${title} copy`, text);
    if ('refused' in made) refuse(made.refused);
    else void navigate(noteAddress(made.path));
  };
  const takeOut = (): void =>
    void dispatch(frameSlice.actions.dialogShown({ is: 'take-out', what: 'lists', texts: null, at: path, title, isPage: true }));
  return (
    <div className="no-print mt-1 flex shrink-0">
      <button type="button" className="quiet-button whitespace-nowrap" onClick={onEdit}>
        <Pencil size={14} aria-hidden="true" />
        Edit the page
      </button>
      <Menu
        trigger={
          <button type="button" className="quiet-button" aria-label="More for this page">
            ⋯
          </button>
        }
      >
        <PinEntry title={title} />
        <MenuEntry label="Make a copy to change" onSelect={() => void copy()} />
        {onRestore && <MenuEntry label="Restore what was shipped" onSelect={onRestore} />}
        <FileEntries path={path} onTakeOut={takeOut} onLend={null} />
      </Menu>
    </div>
  );
}
