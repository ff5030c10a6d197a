import { Search } from 'lucide-react';
import { type KeyboardEvent, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { SearchShows } from '../../../core/index/questions/search';
import { takeKeys } from '../../../ui/input/early-keys';
import { Menu, MenuEntry } from '../../../ui/menu/menu';
import { useLatest } from '../../../ui/use-latest';
import { AgendaLists } from '../agenda/AgendaLists';
import { Sheet } from '../../note/page/Sheet';
import { PinEntry } from '../../frame/rack/PinEntry';
import { refuse } from '../../session/telling/messages';
import { counted } from '../../session/acting/use-act';
import { findAddress, noteAddress } from '../../session/places/addresses';
import { useTypedParameter } from './use-typed-parameter';
import { useParameter, useSetParameter } from '../../session/places/routes';
import { useServices } from '../../session/state/services';
import { useAsked } from '../../session/asked/use-asked';
import { FoundNotes } from './FoundNotes';

/** So many notes are shown at first, and so many more each time. */
const MOST = 30;
type Shows = SearchShows | 'only';

const SHOWS: readonly (readonly [Shows, string])[] = [
  ['all', 'All notes'],
  ['tasks', 'With tasks'],
  ['open', 'With open tasks'],
  ['only', 'Tasks only'],
];

/** Finds notes and tasks by words and conditions, in one field; what is looked for stands in the address, so that Back brings it again. */
export function FindPage() {
  const show = useParameter('show');
  const shows = SHOWS.find(([name]) => name === show)?.[0] ?? 'all';
  const setParameter = useSetParameter();
  const [text, setText, , settle] = useTypedParameter('q');
  const start = useLatest(setText);
  /** Words that were just typed are gone on with, also where the focus comes back to them. */
  const typedHere = useRef(false);
  // What was typed before the field was there, in it before the next letter comes.
  useLayoutEffect(() => {
    const early = takeKeys().typed;
    if (early === '') return;
    typedHere.current = true;
    start.current(early);
  }, [start]);
  const [most, setMost] = useState(MOST);
  const found = useAsked(
    'search',
    useMemo(() => ({ typed: text, shows: shows === 'only' ? 'all' : shows, most }), [text, shows, most]),
  );
  const terms = useMemo(() => new Set(found?.terms), [found]);
  const page = useRef<HTMLDivElement>(null);
  const gathers = useMemo(() => (found?.gather ? [`title Tasks\n${found.gather}\nlimit 30`] : []), [found?.gather]);
  const isEmpty = text.trim() === '';
  return (
    <Sheet title={isEmpty ? 'Find' : `${text.trim()} · Find`}>
      <div ref={page} onKeyDown={(event) => moveAmongFound(event, page.current)}>
        <div className="mb-1 flex items-center gap-2">
          <label className="flex min-h-[44px] flex-1 items-center gap-2 rounded-lg border border-line bg-sheet px-3 focus-within:border-primary">
            <Search size={17} aria-hidden="true" className="flex-none text-muted" />
            <input
              autoFocus
              type="search"
              aria-label="Find"
              className="min-w-0 flex-1 bg-transparent py-2 text-[1.17rem] outline-none"
              placeholder="Words, and if you like #loans or due < today"
              value={text}
              onFocus={(event) => !typedHere.current && event.target.select()}
              onBlur={settle}
              onChange={(event) => {
                typedHere.current = true;
                setMost(MOST);
                setText(event.target.value);
              }}
            />
          </label>
          {!isEmpty && <KeepMenu title={text.trim()} address={findAddress(text.trim(), shows)} gather={found?.gather ?? null} />}
        </div>
        <div role="radiogroup" aria-label="What is shown" className="mb-5 flex flex-wrap gap-1">
          {SHOWS.map(([name, label]) => (
            <button
              key={name}
              type="button"
              role="radio"
              aria-checked={shows === name}
              className={`quiet-button text-[0.9rem] ${shows === name ? 'bg-primary-soft font-semibold text-ink' : ''}`}
              onClick={() => setParameter('show', name === 'all' ? null : name, true)}
            >
              {label}
            </button>
          ))}
        </div>
        {found?.problem != null && (
          <p role="status" className="mb-3 text-muted">
            {found.problem}
          </p>
        )}
        {isEmpty ? (
          <Hints />
        ) : (
          found && (
            <>
              {shows !== 'only' && (
                <section aria-label="Notes" className="mb-8">
                  <h2 className="mb-2 flex items-baseline justify-between font-title text-[1.17rem] font-semibold">
                    Notes
                    <span role="status" className="font-sans text-[0.86rem] font-semibold text-muted">
                      {found.count.toLocaleString('en')}
                      {found.left > 0 && `, ${counted(found.left, 'note')} not looked through yet`}
                    </span>
                  </h2>
                  <FoundNotes notes={found.notes} terms={terms} />
                  {found.count === 0 && found.left === 0 && <p className="text-muted">No note holds all of that.</p>}
                  {found.count > found.notes.length && (
                    <button type="button" className="quiet-button mt-2" onClick={() => setMost(most + MOST)}>
                      Show {Math.min(MOST, found.count - found.notes.length)} more
                    </button>
                  )}
                </section>
              )}
              {gathers.length > 0 && <AgendaLists path="" gathers={gathers} look="page" titled saysEmpty={shows === 'only'} />}
            </>
          )
        )}
      </div>
    </Sheet>
  );
}

function Hints() {
  return (
    <div className="grid gap-1 text-muted">
      <p>All words must be there, in any order, anywhere in a note; “words in quotes” one after the other.</p>
      <p>The last word may be begun only, and from five letters on one letter may be wrong.</p>
      <p>
        Conditions narrow it: <code>#loans</code>, <code>@kofi</code>, <code>[[Salt on the Glass]]</code>, <code>due &lt; today</code>, or
        anything behind <code>where</code>.
      </p>
    </div>
  );
}

/** A search can be pinned, and one of tasks kept as an agenda page. */
function KeepMenu({ title, address, gather }: { title: string; address: string; gather: string | null }) {
  const { actions } = useServices();
  const navigate = useNavigate();
  const keep = async (): Promise<void> => {
    const made = await actions.create('Agenda', `Find ${title}`, `---\nkind: agenda\n---\n\`\`\`gather\n${gather}\n\`\`\`\n`);
    if ('refused' in made) refuse(made.refused);
    else void navigate(noteAddress(made.path));
  };
  return (
    <Menu
      trigger={
        <button type="button" className="quiet-button no-print" aria-label="Keep this search">
          ⋯
        </button>
      }
    >
      <PinEntry title={title} address={address} />
      {gather !== null && <MenuEntry label="Make an agenda page of its tasks" onSelect={() => void keep()} />}
    </Menu>
  );
}

/** Down goes from the field to what was found and on to the tasks, up back again. */
function moveAmongFound(event: KeyboardEvent, page: HTMLElement | null): void {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (step === 0 || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || !page) return;
  const places = [...page.querySelectorAll<HTMLElement>('input[type=search], [data-found], [data-row] .task-mark')];
  const here = document.activeElement instanceof HTMLElement ? places.indexOf(document.activeElement) : -1;
  const next = here === -1 ? undefined : places[here + step];
  if (!next) return;
  event.preventDefault();
  next.focus();
  next.scrollIntoView({ block: 'nearest' });
}
