import { useCallback, useEffect, useState } from 'react';
import { Route, Routes, useLocation, useNavigate } from 'react-router';
import { NotePage } from '../features/note/page/NotePage';
import { Sheet } from '../features/note/page/Sheet';
import { isFirstOpening, useFirstOpening } from '../features/pages/journal/use-first-opening';
import { dayAddress, noteAddress } from '../features/session/places/addresses';
import { ROUTES } from '../features/session/places/routes';
import { SlipAddress } from '../features/slip/SlipAddress';
import { useAskHand } from '../features/frame/strip/use-hand';
import { usePlaces } from '../features/session/places/use-places';
import { frameSlice } from '../features/session/state/frame-slice';
import { Notices } from '../features/session/telling/Notices';
import { Safe } from '../features/session/acting/Safe';
import { whenWaiting } from '../features/session/telling/messages';
import { useNow, useServices } from '../features/session/state/services';
import { useAppDispatch, useAppSelector } from '../features/session/state/state';
import { useIdleYaml } from '../features/session/state/use-yaml';
import { type DeskOpening, keepOpened } from '../store/device/desk-opened';
import { deviceMemory } from '../store/device/device-memory';
import { Later } from '../ui/Later';
import { DialogHost } from './DialogHost';
import { Frame } from './Frame';
import { useCommands } from './commands';
import { useDrop } from './use-drop';
import { useKeys } from './use-keys';
import { useTheme } from './use-theme';
import { late } from '../ui/late';

const busy = () => <Sheet title="" busy />;

const BulkBar = late(() => import('../features/gather/rows/picking/BulkBar').then((part) => part.BulkBar));
const DayPage = late(() => import('../features/pages/places/DayPage').then((part) => part.DayPage), busy);
const TagPage = late(() => import('../features/pages/places/NamePage').then((part) => part.TagPage), busy);
const PersonPage = late(() => import('../features/pages/places/NamePage').then((part) => part.PersonPage), busy);
const StatusPage = late(() => import('../features/pages/places/StatusPage').then((part) => part.StatusPage), busy);
const FolderPage = late(() => import('../features/pages/places/FolderPage').then((part) => part.FolderPage), busy);
const ItemPage = late(() => import('../features/pages/places/ItemPage').then((part) => part.ItemPage), busy);
const SeriesPage = late(() => import('../features/meeting/SeriesPage').then((part) => part.SeriesPage), busy);
const FindPage = late(() => import('../features/pages/find/FindPage').then((part) => part.FindPage), busy);
const DaysPage = late(() => import('../features/pages/journal/DaysPage').then((part) => part.DaysPage), busy);
const LinkCards = late(() => import('../features/note/links/LinkCards').then((part) => part.LinkCards));
const Messages = late(() => import('../features/session/telling/Messages').then((part) => part.default));
const RingWatch = late(() => import('../features/day/reminders/RingWatch').then((part) => part.default));
const OfflineWatch = late(() => import('../features/program/offline/OfflineWatch').then((part) => part.default));
const Opening = late(() => import('../features/program/opening/Opening').then((part) => part.Opening));
const AskPage = late(() => import('../features/gather/ask/AskPage').then((part) => part.AskPage), busy);
const ThroughPage = late(() => import('../features/gather/through/ThroughPage').then((part) => part.ThroughPage), busy);
const BrainstormPage = late(() => import('../features/pages/review/BrainstormPage').then((part) => part.BrainstormPage), busy);
const HelpPage = late(() => import('../features/program/help/HelpPage').then((part) => part.HelpPage), busy);
const EarlierPage = late(() => import('../features/keep/EarlierPage').then((part) => part.EarlierPage), busy);
const FilesPage = late(() => import('../features/files/FilesPage').then((part) => part.FilesPage), busy);
const KeepPage = late(() => import('../features/keep/KeepPage').then((part) => part.KeepPage), busy);
const LentPage = late(() => import('../features/sharing/lend/LentPage').then((part) => part.LentPage), busy);
const OutsidePage = late(() => import('../features/sharing/outside/page/OutsidePage').then((part) => part.OutsidePage), busy);
const LinkPage = late(() => import('../features/keep/desk/LinkPage').then((part) => part.LinkPage), busy);
const SettingsPage = late(() => import('../features/program/settings/SettingsPage').then((part) => part.SettingsPage), busy);

/** The whole interface: what is met where no desk is open, or the frame with its pages and dialogs. */
export function App({ opening }: { opening: DeskOpening }) {
  const { store } = useServices();
  const [isOpen, setOpen] = useState(opening === 'none');
  const theme = useTheme();
  const [said, setSaid] = useState(false);
  // What shows messages is loaded with the first of them.
  useEffect(() => whenWaiting(() => setSaid(true)), []);
  return (
    <>
      {isOpen ? (
        <Desk />
      ) : (
        <Opening isLost={opening === 'lost'} onOpened={() => void keepOpened(store, deviceMemory).then(() => setOpen(true))} />
      )}
      <Notices />
      <Later after={OFFLINE_AFTER}>
        <OfflineWatch />
      </Later>
      {said && <Messages theme={theme} />}
    </>
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
          <Route path={ROUTES.files} element={<FilesPage />} />
          <Route path={ROUTES.lent} element={<LentPage />} />
          <Route path={ROUTES.outside} element={<OutsidePage />} />
          <Route path={ROUTES.link} element={<LinkPage />} />
          <Route path={ROUTES.settings} element={<SettingsPage />} />
          <Route path="*" element={<NoSuchPage />} />
        </Routes>
      </Safe>
      <Safe
        part="This dialog"
        of={dialog?.is ?? ''}
        frame={(sentence) => <div className="fixed inset-x-0 bottom-10 z-50 mx-auto w-fit">{sentence}</div>}
      >
        {selecting && <BulkBar />}
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
const OFFLINE_AFTER = 4000;

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
