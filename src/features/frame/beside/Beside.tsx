import { ChevronDown } from 'lucide-react';
import { memo, useMemo } from 'react';
import type { NoteSummary } from '../../../core/index/live/overview';
import { baseNameOf } from '../../../core/note/names/path';
import { readFrame } from '../../../core/note/facts/note-frame';
import { Menu, MenuChoice, MenuChoices, MenuLine } from '../../../ui/menu/menu';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { useStoredNote } from '../../note/use-stored-note';
import { agendaPages } from '../rack/folder-tree';
import { Safe } from '../../session/acting/Safe';
import { useNoteOnPage } from '../../session/places/use-note-on-page';
import type { BesideView } from '../../session/state/frame-memory';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { late } from '../../../ui/late';

const WhyPanel = late(() => import('../../gather/rows/WhyPanel').then((part) => part.WhyPanel));
const LeadsPanel = late(() => import('../../note/links/LeadsPanel').then((part) => part.LeadsPanel));
const HoursPanel = late(() => import('../../day/hours/HoursPanel').then((part) => part.HoursPanel));
const ThisNote = late(() => import('./ThisNote').then((part) => part.ThisNote));
const OutlinePanel = late(() => import('./OutlinePanel').then((part) => part.OutlinePanel));
const NoteBeside = late(() => import('./NoteBeside').then((part) => part.NoteBeside));

const NAMES = { note: 'This note', outline: 'Outline', leads: 'Leads here', hours: 'Hours', why: 'Why' } as const;
const OF_NOTE = ['note', 'outline', 'leads'] as const;

/** The right-hand panel: one thing kept in view beside the page; what stood there before is one press away. */
export const Beside = memo(function Beside() {
  const chosen = useAppSelector((state) => state.frame.beside);
  const before = useAppSelector((state) => state.frame.besideBefore);
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const dispatch = useAppDispatch();
  const here = useNoteOnPage();
  // The page that already fills the middle is not shown twice.
  const pages = useMemo(() => agendaPages(notes ?? []).filter((one) => one.path !== here), [notes, here]);
  const [first] = pages;
  const view: BesideView =
    chosen.is === 'agenda' && !pages.some(({ path }) => path === chosen.path) && first ? { is: 'agenda', path: first.path } : chosen;
  const choose = (next: BesideView): void => void dispatch(frameSlice.actions.besideChosen(next));
  const at = before.filter((one) => signOf(one) !== signOf(view) && (!('path' in one) || one.path !== here));
  return (
    <aside aria-label="Beside" className="flex h-full flex-col overflow-y-auto px-4 pt-4 pb-6">
      <div className="mb-3 flex min-h-[30px] items-center justify-between gap-x-2">
        <h2 className="-ms-2 min-w-0">
          <Menu
            align="start"
            trigger={
              <button type="button" className="quiet-button max-w-full font-title text-[1.17rem] font-bold text-ink">
                <span className="truncate">{nameOf(view, notes)}</span>
                <ChevronDown size={14} aria-hidden="true" />
              </button>
            }
          >
            <MenuChoices value={signOf(view)}>
              {OF_NOTE.map((is) => (
                <MenuChoice key={is} value={is} label={is === 'note' ? 'Tasks of this note' : NAMES[is]} onSelect={() => choose({ is })} />
              ))}
              {here !== null && (
                <MenuChoice value={`text ${here}`} label="This note, to keep it open" onSelect={() => choose({ is: 'text', path: here })} />
              )}
              {before
                .concat(chosen)
                .flatMap((one) =>
                  (one.is === 'text' && one.path !== here) || one.is === 'gather' ? (
                    <MenuChoice key={signOf(one)} value={signOf(one)} label={nameOf(one, notes)} onSelect={() => choose(one)} />
                  ) : (
                    []
                  ),
                )}
              <MenuChoice value="hours" label="Hours of the day" onSelect={() => choose({ is: 'hours' })} />
              <MenuLine />
              {pages.map(({ path, title }) => (
                <MenuChoice key={path} value={`agenda ${path}`} label={title} onSelect={() => choose({ is: 'agenda', path })} />
              ))}
              <MenuLine />
              <MenuChoice value="why" label="Why a task stands where it stands" onSelect={() => choose({ is: 'why' })} />
            </MenuChoices>
          </Menu>
        </h2>
        <div className="flex min-w-0 text-[0.86rem] whitespace-nowrap">
          {at.slice(0, 2).map((one) => (
            <button key={signOf(one)} type="button" className="quiet-button min-w-0 text-muted" onClick={() => choose(one)}>
              <span className="truncate">{nameOf(one, notes)}</span>
            </button>
          ))}
        </div>
      </div>
      <Safe part="This panel" of={`${signOf(view)} ${here}`}>
        {view.is === 'note' && <ThisNote path={here} />}
        {view.is === 'outline' && <OutlinePanel path={here} />}
        {view.is === 'leads' && <LeadsPanel path={here} />}
        {view.is === 'hours' && <HoursPanel />}
        {view.is === 'why' && <WhyPanel />}
        {view.is === 'text' && <NoteBeside key={view.path} path={view.path} here={here} />}
        {view.is === 'gather' && <AgendaLists key={signOf(view)} path={view.at} gathers={[view.text]} look="cards" />}
        {view.is === 'agenda' && <BesideAgenda key={view.path} path={view.path} />}
      </Safe>
    </aside>
  );
});

const signOf = (view: BesideView): string =>
  'path' in view ? `${view.is} ${view.path}` : view.is === 'gather' ? `gather ${view.at} ${view.text}` : view.is;

function nameOf(view: BesideView, notes: readonly NoteSummary[] | undefined): string {
  if (view.is === 'gather') return view.name;
  if (!('path' in view)) return NAMES[view.is];
  return notes?.find(({ path }) => path === view.path)?.title ?? baseNameOf(view.path);
}

function BesideAgenda({ path }: { path: string }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : '';
  const gathers = useMemo(() => readFrame(text).gathers.map((gather) => gather.text), [text]);
  return stored.is === 'there' ? <AgendaLists path={path} gathers={gathers} look="cards" /> : null;
}
