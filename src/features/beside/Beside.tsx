import { ChevronDown } from 'lucide-react';
import { Suspense, lazy, memo, useMemo } from 'react';
import { readNote } from '../../core/task/reading/read-note';
import { Menu, MenuEntry } from '../../ui/menu';
import { AgendaLists } from '../agenda/AgendaLists';
import { useStoredNote } from '../note/use-stored-note';
import { agendaPages } from '../rack/folder-tree';
import { Safe } from '../session/acting/Safe';
import { frameSlice } from '../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { OutlinePanel } from './OutlinePanel';
import { ThisNote } from './ThisNote';
import { useNoteOnPage } from '../session/places/use-note-on-page';

const WhyPanel = lazy(() => import('../why/WhyPanel').then((part) => ({ default: part.WhyPanel })));

/** The right-hand panel: one agenda page kept in view, or the tasks of the note alone. */
export const Beside = memo(function Beside() {
  const beside = useAppSelector((state) => state.frame.beside);
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const dispatch = useAppDispatch();
  const pages = useMemo(() => agendaPages(notes ?? []), [notes]);
  const here = useNoteOnPage();
  // The page that already fills the middle is not shown twice.
  const choices = pages.filter((one) => one.path !== here);
  const page = choices.find((one) => beside.is === 'agenda' && one.path === beside.path) ?? choices[0];
  const views = [
    ['note', 'This note'],
    ['outline', 'Outline'],
    ['why', 'Why'],
  ] as const;
  const other = views.find(([is]) => is === beside.is);
  return (
    <aside aria-label="Beside" className="flex h-full flex-col overflow-y-auto px-4 pt-4 pb-6">
      <div className="mb-3 flex min-h-[30px] flex-wrap items-center justify-between gap-x-2">
        <h2 className="font-title text-[1.17rem] font-bold">{other ? other[1] : (page?.title ?? 'Agenda')}</h2>
        <div className="-ms-2 flex text-[0.86rem] whitespace-nowrap">
          <Menu
            trigger={
              <button type="button" className={`quiet-button ${other ? '' : 'bg-sheet font-semibold text-ink'}`}>
                Agenda
                <ChevronDown size={13} aria-hidden="true" />
              </button>
            }
          >
            {choices.map((one) => (
              <MenuEntry
                key={one.path}
                label={one.title}
                onSelect={() => dispatch(frameSlice.actions.besideChosen({ is: 'agenda', path: one.path }))}
              />
            ))}
          </Menu>
          {views.map(([is, title]) => (
            <button
              key={is}
              type="button"
              aria-pressed={beside.is === is}
              className={`quiet-button ${beside.is === is ? 'bg-sheet font-semibold text-ink' : ''}`}
              onClick={() => dispatch(frameSlice.actions.besideChosen({ is }))}
            >
              {title}
            </button>
          ))}
        </div>
      </div>
      <Safe part="This panel" of={`${beside.is} ${here} ${page?.path}`}>
        {beside.is === 'note' && <ThisNote path={here} />}
        {beside.is === 'outline' && <OutlinePanel path={here} />}
        <Suspense>{beside.is === 'why' && <WhyPanel />}</Suspense>
        {beside.is === 'agenda' && page && <BesideAgenda key={page.path} path={page.path} />}
      </Safe>
    </aside>
  );
});

function BesideAgenda({ path }: { path: string }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : '';
  const gathers = useMemo(() => readNote(path, text).gathers.map((gather) => gather.text), [path, text]);
  return stored.is === 'there' ? <AgendaLists path={path} gathers={gathers} look="cards" /> : null;
}
