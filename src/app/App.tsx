import { Suspense, lazy, useCallback, useEffect, useState } from 'react';
import { Route, Routes, useLocation, useNavigate } from 'react-router';
import { NotePage } from '../features/note/NotePage';
import { Sheet } from '../features/note/Sheet';
import { isFirstOpening, useFirstOpening } from '../features/journal/use-first-opening';
import { dayAddress, noteAddress } from '../features/session/places/addresses';
import { ROUTES } from '../features/session/places/routes';
import { useAskHand } from '../features/strip/use-hand';
import { usePlaces } from '../features/session/places/use-places';
import { frameSlice } from '../features/session/state/frame-slice';
import { Notices } from '../features/session/acting/Notices';
import { Safe } from '../features/session/acting/Safe';
import { whenWaiting } from '../features/session/acting/messages';
import { useNow, useServices } from '../features/session/state/services';
import { useAppDispatch, useAppSelector } from '../features/session/state/state';
import { useIdleYaml } from '../features/session/state/use-yaml';
import { Later } from '../ui/Later';
import { DialogHost } from './DialogHost';
import { Frame } from './Frame';
import { useCommands } from './commands';
import { useDrop } from './use-drop';
import { useKeys } from './use-keys';
import { useTheme } from './use-theme';

const BulkBar = lazy(() => import('../features/bulk/BulkBar').then((part) => ({ default: part.BulkBar })));
const SlipAddress = lazy(() => import('../features/slip/SlipAddress').then((part) => ({ default: part.SlipAddress })));
const DayPage = lazy(() => import('../features/places/DayPage').then((part) => ({ default: part.DayPage })));
const TagPage = lazy(() => import('../features/places/NamePage').then((part) => ({ default: part.TagPage })));
const PersonPage = lazy(() => import('../features/places/NamePage').then((part) => ({ default: part.PersonPage })));
const StatusPage = lazy(() => import('../features/places/StatusPage').then((part) => ({ default: part.StatusPage })));
const FolderPage = lazy(() => import('../features/places/FolderPage').then((part) => ({ default: part.FolderPage })));
const ItemPage = lazy(() => import('../features/places/ItemPage').then((part) => ({ default: part.ItemPage })));
const SeriesPage = lazy(() => import('../features/meeting/SeriesPage').then((part) => ({ default: part.SeriesPage })));
const FindPage = lazy(() => import('../features/find/FindPage').then((part) => ({ default: part.FindPage })));
const DaysPage = lazy(() => import('../features/journal/DaysPage').then((part) => ({ default: part.DaysPage })));
const LinkCards = lazy(() => import('../features/links/LinkCards').then((part) => ({ default: part.LinkCards })));
const Messages = lazy(() => import('../features/session/acting/Messages'));
const RingWatch = lazy(() => import('../features/reminders/RingWatch'));
const Opening = lazy(() => import('../features/opening/Opening').then((part) => ({ default: part.Opening })));
const AskPage = lazy(() => import('../features/ask/AskPage').then((part) => ({ default: part.AskPage })));
const ThroughPage = lazy(() => import('../features/through/ThroughPage').then((part) => ({ default: part.ThroughPage })));
const BrainstormPage = lazy(() => import('../features/review/BrainstormPage').then((part) => ({ default: part.BrainstormPage })));
const HelpPage = lazy(() => import('../features/help/HelpPage').then((part) => ({ default: part.HelpPage })));
const EarlierPage = lazy(() => import('../features/keep/EarlierPage').then((part) => ({ default: part.EarlierPage })));
const KeepPage = lazy(() => import('../features/keep/KeepPage').then((part) => ({ default: part.KeepPage })));
const SettingsPage = lazy(() => import('../features/settings/SettingsPage').then((part) => ({ default: part.SettingsPage })));

/** The whole interface: the first opening, or the frame with its pages and dialogs. */
export function App({ firstOpening }: { firstOpening: boolean }) {
  const { store } = useServices();
  const [opening, setOpening] = useState(firstOpening);
  const theme = useTheme();
  const [said, setSaid] = useState(false);
  // What shows messages is loaded with the first of them.
  useEffect(() => whenWaiting(() => setSaid(true)), []);
  return (
    <Suspense fallback={null}>
      {opening ? (
        <Opening
          onOpened={() => {
            // Should it not be kept, the opening is only asked for once more.
            void store
              .setValue('opened', true)
              .catch(() => undefined)
              .then(() => setOpening(false));
          }}
        />
      ) : (
        <Desk />
      )}
      <Notices />
      <Suspense>{said && <Messages theme={theme} />}</Suspense>
    </Suspense>
  );
}

function Desk() {
  const dispatch = useAppDispatch();
  const dialog = useAppSelector((state) => state.frame.dialog);
  const selecting = useAppSelector((state) => state.frame.selecting || Object.keys(state.selection).length > 0);
  const { pathname } = useLocation();
  const commands = useCommands();
  useKeys(commands);
  usePlaces();
  useIdleYaml();
  useFirstOpening();
  const { dialogShown } = frameSlice.actions;
  const showImport = useCallback(() => dispatch(dialogShown({ is: 'import' })), [dispatch, dialogShown]);
  const [given, setGiven] = useDrop(showImport);
  return (
    <Frame>
      <Safe part="This page" of={pathname} frame={(sentence) => <Sheet title="Recado">{sentence}</Sheet>}>
        <Suspense fallback={<Sheet title="" busy />}>
          <Routes>
            <Route path={ROUTES.first} element={<FirstPage />} />
            <Route path={ROUTES.note} element={<NotePage />} />
            <Route path={ROUTES.day} element={<DayPage />} />
            <Route path={ROUTES.days} element={<DaysPage />} />
            <Route path={ROUTES.slip} element={<SlipAddress />} />
            <Route path={ROUTES.tag} element={<TagPage />} />
            <Route path={ROUTES.person} element={<PersonPage />} />
            <Route path={ROUTES.status} element={<StatusPage />} />
            <Route path={ROUTES.folder} element={<FolderPage />} />
            <Route path={ROUTES.item} element={<ItemPage />} />
            <Route path={ROUTES.series} element={<SeriesPage />} />
            <Route path={ROUTES.find} element={<FindPage />} />
            <Route path={ROUTES.ask} element={<AskPage />} />
            <Route path={ROUTES.through} element={<ThroughPage />} />
            <Route path={ROUTES.brainstorm} element={<BrainstormPage />} />
            <Route path={ROUTES.help} element={<HelpPage />} />
            <Route path={ROUTES.earlier} element={<EarlierPage />} />
            <Route path={ROUTES.keep} element={<KeepPage />} />
            <Route path={ROUTES.settings} element={<SettingsPage />} />
            <Route path="*" element={<NoSuchPage />} />
          </Routes>
        </Suspense>
      </Safe>
      <Safe
        part="This dialog"
        of={dialog?.is ?? ''}
        frame={(sentence) => <div className="fixed inset-x-0 bottom-10 z-50 mx-auto w-fit">{sentence}</div>}
      >
        <Suspense fallback={null}>{selecting && <BulkBar />}</Suspense>
        <HandWatch />
        <Later after={WATCHES_AFTER}>
          <LinkCards />
          <RingWatch />
        </Later>
        <DialogHost commands={commands} given={given} onClosed={() => setGiven(null)} />
      </Safe>
    </Frame>
  );
}

/** By itself, so that no change and no minute draws the desk anew. */
function HandWatch() {
  useAskHand();
  return null;
}

/** The first page goes before what nobody asked for yet, in milliseconds. */
const WATCHES_AFTER = 1500;

/** The page of the settings; on a day's first opening, today's journal page. */
function FirstPage() {
  const first = useAppSelector((state) => state.settings.firstPage);
  const { day } = useNow();
  const [isNewDay] = useState(() => isFirstOpening(day));
  const navigate = useNavigate();
  const to = first === 'journal' || isNewDay ? dayAddress(day) : noteAddress(first);
  useEffect(() => {
    // A key that came right after the page was drawn has led elsewhere, and is not led back.
    if (window.location.pathname === ROUTES.first) void navigate(to, { replace: true });
  }, [navigate, to]);
  return null;
}

function NoSuchPage() {
  return (
    <Sheet title="No such page">
      <h1 className="font-title text-[1.86rem] font-bold">There is no such page</h1>
      <p className="mt-2 text-muted">The address leads nowhere. The rack on the left has every note.</p>
    </Sheet>
  );
}
