import { Plus, Search, TextSearch } from 'lucide-react';
import { type ReactNode, memo, useMemo } from 'react';
import { NavLink, useLocation, useNavigate } from 'react-router';
import type { NoteSummary, Overview } from '../../../core/index/live/overview';
import { keyName } from '../../commands/command';
import { useCommandKeys } from '../../commands/use-key-of';
import { ROUTES } from '../../session/places/routes';
import { SlipButton } from '../../slip/SlipButton';
import { frameSlice } from '../../session/state/frame-slice';
import { filesAddress, noteAddress, personAddress, helpAddress, settingsAddress, tagAddress } from '../../session/places/addresses';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { NoteTree } from './NoteTree';
import { Pins } from './Pins';
import { Entry, Folded, Section } from './RackEntry';
import { type FoldedPages, rackPages } from './folder-tree';
import { followRoute, isHere } from '../../session/places/route-clicks';

const MOST_NAMES = 12;

/** The left-hand panel: agenda pages, notes by folder, people and tags, each with its open tasks. */
export const Rack = memo(function Rack() {
  const navigate = useNavigate();
  const overview = useAppSelector((state) => state.library.overview);
  const progress = useAppSelector((state) => state.library.progress);
  const dispatch = useAppDispatch();
  return (
    <nav aria-label="Rack" className="flex h-full flex-col text-[0.93rem]">
      <div className="flex flex-none gap-2 px-3 pb-2">
        <SlipButton className="min-h-[30px] flex-1 justify-start" />
        <FindLink />
      </div>
      <div data-scrolls className="min-h-0 flex-1 overflow-y-auto px-3 pb-3" onClick={(event) => followRoute(event, navigate)}>
        {overview ? (
          <RackSections overview={overview} />
        ) : (
          <p className="px-2 text-muted">Reading notes{progress.all > 0 ? `: ${progress.read} of ${progress.all}` : '…'}</p>
        )}
      </div>
      <div className="flex flex-none gap-1 px-3 py-1">
        <NavLink to={filesAddress()} className="quiet-button">
          Files
        </NavLink>
        <NavLink to={settingsAddress()} className="quiet-button">
          Settings
        </NavLink>
        <NavLink to={helpAddress()} className="quiet-button">
          Help
        </NavLink>
        <button
          type="button"
          className="quiet-button ms-auto"
          aria-label="All commands"
          title="All commands and notes"
          // The text or row that the commands are for keeps the focus.
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'commands' }))}
        >
          <TextSearch size={15} aria-hidden="true" />
        </button>
      </div>
    </nav>
  );
});

/** The way to the field of the search, with its key. */
function FindLink() {
  const key = useCommandKeys().get('find') ?? null;
  return (
    <NavLink
      to={ROUTES.find}
      className="quiet-button"
      title={key === null ? 'Find notes and tasks' : `Find notes and tasks (${keyName(key)})`}
    >
      <Search size={15} aria-hidden="true" />
      Find
    </NavLink>
  );
}

function RackSections({ overview }: { overview: Overview }) {
  const dispatch = useAppDispatch();
  const { pathname } = useLocation();
  const { daily, folded } = useMemo(() => rackPages(overview.notes), [overview.notes]);
  const entry = (page: NoteSummary): ReactNode => {
    const to = noteAddress(page.path);
    return (
      <Entry
        key={page.path}
        to={to}
        here={isHere(to, pathname)}
        words={page.title}
        count={overview.agendaCounts[page.path] ?? 0}
        weighty={page.path === 'Agenda/Today.md'}
      />
    );
  };
  const holdsHere = ({ pages, inner }: FoldedPages): boolean =>
    pages.some(({ path }) => isHere(noteAddress(path), pathname)) || inner.some(holdsHere);
  const foldedPages = (one: FoldedPages): ReactNode => (
    <Folded key={one.folder} part={`in ${one.folder}`} title={one.title} holdsHere={holdsHere(one)}>
      {one.pages.map(entry)}
      {one.inner.map(foldedPages)}
    </Folded>
  );
  return (
    <>
      <Section title="Agenda">
        {daily.map(entry)}
        {folded.map(foldedPages)}
        {daily.length + folded.length === 0 && <p className="px-2 text-muted">None. The settings bring the shipped ones back.</p>}
      </Section>
      <Pins />
      <Section
        title="Notes"
        action={
          <button
            type="button"
            className="quiet-button"
            aria-label="New note"
            title="New note"
            onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'new-note' }))}
          >
            <Plus size={15} aria-hidden="true" />
          </button>
        }
      >
        <NoteTree notes={overview.notes} />
        {overview.notes.every((note) => note.kind === 'agenda') && <p className="px-2 text-muted">No notes yet. The plus makes one.</p>}
      </Section>
      <Names title="People" sign="@" names={overview.people} address={personAddress} />
      <Names title="Tags" sign="#" names={overview.tags} address={tagAddress} />
    </>
  );
}

interface NamesProps {
  title: string;
  sign: string;
  names: Overview['tags'];
  address: (name: string) => string;
}

function Names({ title, sign, names, address }: NamesProps) {
  const { pathname } = useLocation();
  if (names.length === 0) return null;
  const entry = (one: Overview['tags'][number]): ReactNode => {
    const to = address(one.name);
    return (
      <Entry
        key={one.name}
        to={to}
        words={sign + one.name}
        count={one.open}
        title={one.fullName ?? undefined}
        here={isHere(to, pathname)}
      />
    );
  };
  const shown = names.slice(0, MOST_NAMES);
  const rest = names.slice(MOST_NAMES);
  return (
    <Section title={title}>
      {shown.map(entry)}
      {rest.length > 0 && (
        <Folded part={`more ${title}`} title={`${rest.length} more`} holdsHere={rest.some(({ name }) => isHere(address(name), pathname))}>
          {rest.map(entry)}
        </Folded>
      )}
    </Section>
  );
}
