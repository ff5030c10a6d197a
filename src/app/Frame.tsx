import { CalendarDays, ListChecks, Menu as MenuIcon, NotebookText, PanelRight, Search } from 'lucide-react';
import { type ReactNode, useEffect } from 'react';
import { Link, NavLink } from 'react-router';
import { Beside } from '../features/frame/beside/Beside';
import { DayRow } from '../features/day/row/DayRow';
import { Rack } from '../features/frame/rack/Rack';
import { dayAddress, noteAddress } from '../features/session/places/addresses';
import { frameSlice } from '../features/session/state/frame-slice';
import { useNow } from '../features/session/state/services';
import { useAppDispatch, useAppSelector } from '../features/session/state/state';
import { SlipButton } from '../features/slip/SlipButton';
import { Strip } from '../features/frame/strip/Strip';
import { ROUTES } from '../features/session/places/routes';
import { Logo } from '../ui/Logo';
import { useRoom } from './use-room';
import { late } from '../ui/late';

const NarrowSheet = late(() => import('./NarrowSheet').then((part) => part.NarrowSheet));

/** Day row, rack, page, beside, strip. In narrow windows rack and beside are sheets over the page. */
export function Frame({ children }: { children: ReactNode }) {
  // One by one: the cursor's line is told to the frame's state too, and must not draw the frame anew.
  const rackOpen = useAppSelector((state) => state.frame.rackOpen);
  const besideOpen = useAppSelector((state) => state.frame.besideOpen);
  const sheet = useAppSelector((state) => state.frame.sheet);
  const dispatch = useAppDispatch();
  const roomForRack = useRoom('rack');
  const roomBeside = useRoom('beside');
  const { toggled, sheetShown } = frameSlice.actions;
  // Where the window grows, what was a sheet stands beside; it is none again when the window shrinks.
  const isSheet = sheet === 'rack' ? !roomForRack : sheet === 'beside' && !roomBeside;
  useEffect(() => {
    if (sheet !== null && !isSheet) dispatch(sheetShown(null));
  }, [sheet, isSheet, dispatch, sheetShown]);
  return (
    <div className="flex h-full flex-col">
      <a href="#page" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-2">
        Skip to the page
      </a>
      <header className="no-print flex h-[4.97rem] flex-none items-stretch pt-2">
        <div className={`flex flex-none items-center gap-1 px-3 ${roomForRack && rackOpen ? 'w-[13.5rem] justify-between' : ''}`}>
          <Link to={noteAddress('Agenda/Today.md')} aria-label="Recado, to Today" className="rounded-md max-sm:hidden">
            <Logo />
          </Link>
          <button
            type="button"
            className="quiet-button"
            aria-label="Rack"
            title="Show or hide the rack (F8)"
            aria-expanded={roomForRack ? rackOpen : sheet === 'rack'}
            onClick={() => dispatch(roomForRack ? toggled('rackOpen') : sheetShown('rack'))}
          >
            <MenuIcon size={16} aria-hidden="true" />
          </button>
          {!(roomForRack && rackOpen) && <SlipButton className="min-h-[30px] max-sm:hidden" />}
        </div>
        <DayRow />
        <div className="flex flex-none items-center px-3">
          <button
            type="button"
            className="quiet-button"
            aria-label="Beside"
            title="Show or hide the beside panel (F9)"
            aria-expanded={roomBeside ? besideOpen : sheet === 'beside'}
            onClick={() => dispatch(roomBeside ? toggled('besideOpen') : sheetShown('beside'))}
          >
            <PanelRight size={16} aria-hidden="true" />
          </button>
        </div>
      </header>
      <div className="flex min-h-0 flex-1">
        {roomForRack && rackOpen && (
          <div className="no-print w-[13.5rem] flex-none">
            <Rack />
          </div>
        )}
        {children}
        {roomBeside && besideOpen && (
          <div className="no-print w-[24.55rem] flex-none">
            <Beside />
          </div>
        )}
      </div>
      <Strip />
      <BottomBar />
      {isSheet && <NarrowSheet />}
    </div>
  );
}

/** Below 640 px the main places are under the thumb. */
function BottomBar() {
  const dispatch = useAppDispatch();
  const { day } = useNow();
  const place =
    'flex min-h-[48px] flex-1 flex-col items-center justify-center text-[0.76rem] text-muted aria-[current=page]:text-primary aria-[current=page]:font-semibold';
  return (
    <nav id="main-places" aria-label="Main places" className="no-print flex flex-none border-t border-line bg-sheet sm:hidden">
      <NavLink to={dayAddress(day)} className={place}>
        <CalendarDays size={18} aria-hidden="true" />
        Journal
      </NavLink>
      <NavLink to={noteAddress('Agenda/Today.md')} className={place}>
        <ListChecks size={18} aria-hidden="true" />
        Today
      </NavLink>
      <button type="button" className={place} onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'slip' }))}>
        <span className="cut-corner mb-px h-[18px] w-[15px] bg-primary" aria-hidden="true" />
        Slip
      </button>
      <NavLink to={ROUTES.find} className={place}>
        <Search size={18} aria-hidden="true" />
        Find
      </NavLink>
      <button type="button" className={place} onClick={() => dispatch(frameSlice.actions.sheetShown('rack'))}>
        <NotebookText size={18} aria-hidden="true" />
        Notes
      </button>
    </nav>
  );
}
