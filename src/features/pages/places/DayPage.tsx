import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { type Day, isoDay, readIsoDay } from '../../../core/calendar/day';
import { dayTitle } from '../../../core/calendar/day-name';
import type { NoteSummary } from '../../../core/index/live/overview';
import type { Seal } from '../../../core/sharing/seal/seal-note';
import { Foot } from '../../note/foot/Foot';
import { ChooseJournal } from '../journal/ChooseJournal';
import { useJournalPage } from '../journal/use-journal-page';
import { LeftOpenLine } from '../journal/LeftOpenLine';
import { useBegin } from '../journal/use-begin';
import { LazyNoteEditor } from '../../editor/LazyNoteEditor';
import { DayClaims } from '../../note/clashes/DayClaims';
import { BytesPage } from '../../note/page/BytesPage';
import { NoteMenu } from '../../note/acts/NoteMenu';
import { OtherText } from '../../note/clashes/OtherText';
import { Sheet } from '../../note/page/Sheet';
import { useFollowed } from '../../note/use-followed';
import { useStoredNote } from '../../note/use-stored-note';
import { dayAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { ROUTES, useLineParameter, useParameter } from '../../session/places/routes';
import { late } from '../../../ui/late';

const looking = () => <p className="text-muted">Looking at the day…</p>;

const DayWeek = late(() => import('../../day/hours/DayWeek').then((part) => part.DayWeek), looking);
const DayPlan = late(() => import('../../day/plan/DayPlan').then((part) => part.DayPlan), looking);

/** Write, Plan and Week: the one that is shown stands out. */
const turned = (isShown: boolean): string => `quiet-button text-[0.86rem] ${isShown ? 'bg-raised font-semibold text-ink' : ''}`;

const VIEWS = [
  { view: undefined, label: 'Write' },
  { view: 'plan', label: 'Plan' },
  { view: 'week', label: 'Week' },
] as const;

/** The journal page of a day; it is made when first written in. */
export function DayPage() {
  const day = readIsoDay(useParams()['iso'] ?? '');
  const notes = useAppSelector((state) => state.library.overview?.notes);
  if (day === null)
    return (
      <Sheet title="No such day">
        <h1 className="font-title text-[1.86rem] font-bold">There is no such day</h1>
      </Sheet>
    );
  if (!notes) return <Sheet title={dayTitle(day)} busy />;
  return <InJournal key={day} day={day} notes={notes} />;
}

function InJournal({ day, notes }: { day: Day; notes: readonly NoteSummary[] }) {
  const found = useJournalPage(day, notes);
  if (found.is === 'closed') return <ClosedJournal day={day} seal={found.seal} />;
  if (found.is === 'finding') return <Sheet title={dayTitle(day)} busy />;
  return <JournalPage key={found.journal} path={found.path} day={day} journal={found.journal} begins={found.begins} />;
}

/** The page of a day in a journal that is sealed, and closed. */
function ClosedJournal({ day, seal }: { day: Day; seal: Seal }) {
  const dispatch = useAppDispatch();
  return (
    <Sheet title={dayTitle(day)}>
      <p className="text-[0.86rem] text-muted">
        <ChooseJournal />
      </p>
      <h1 className="font-title text-[1.86rem] leading-tight font-bold">{dayTitle(day)}</h1>
      <p className="mt-2 text-muted">This journal is sealed by “{seal.name}”, which is closed.</p>
      <button
        type="button"
        className="solid-button mt-4"
        onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'seal', what: 'open', seal: seal.path }))}
      >
        Open it…
      </button>
    </Sheet>
  );
}

interface JournalPageProps {
  path: string;
  day: Day;
  journal: string | null;
  begins: (text: string) => string;
}

function JournalPage({ path, day, journal, begins }: JournalPageProps) {
  const { day: today } = useNow();
  const followed = useFollowed(path);
  const stored = useStoredNote(path, followed);
  const line = useLineParameter();
  const said = useParameter('view');
  const view = said === 'plan' || said === 'week' ? said : undefined;
  const step = view === 'week' ? 7 : 1;
  const [opened, setOpened] = useState(0);
  const { begin, waits } = useBegin(path, day, stored.is === 'absent', journal, begins);
  const words = day === today ? 'Today' : day === today + 1 ? 'Tomorrow' : day === today - 1 ? 'Yesterday' : 'Journal';
  if (stored.is === 'there' && 'bytes' in stored.content) return <BytesPage path={stored.path} bytes={stored.content.bytes} />;
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : null;
  return (
    <Sheet title={dayTitle(day)} busy={stored.is === 'loading'} wide={view !== undefined}>
      <header className="mb-2">
        <p className="flex items-center gap-1.5 text-[0.86rem] text-muted">
          {words}
          <ChooseJournal />
        </p>
        <div className="flex flex-wrap items-center gap-x-2">
          <h1 className="min-w-0 flex-[1_1_16rem] font-title text-[1.86rem] leading-tight font-bold">{dayTitle(day)}</h1>
          <nav aria-label="Neighbouring days" className="no-print flex">
            {VIEWS.map(({ view: one, label }) => (
              <Link key={label} className={turned(view === one)} aria-current={view === one || undefined} to={dayAddress(day, one)}>
                {label}
              </Link>
            ))}
            <Link className="quiet-button text-[0.86rem]" to={ROUTES.days}>
              All days
            </Link>
            <Link
              className="quiet-button"
              to={dayAddress(day - step, view)}
              aria-label={view === 'week' ? 'The week before' : 'The day before'}
            >
              <ChevronLeft size={17} aria-hidden="true" />
            </Link>
            <Link
              className="quiet-button"
              to={dayAddress(day + step, view)}
              aria-label={view === 'week' ? 'The week after' : 'The day after'}
            >
              <ChevronRight size={17} aria-hidden="true" />
            </Link>
          </nav>
          {text !== null && <NoteMenu path={path} title={isoDay(day)} onRename={null} />}
        </div>
      </header>
      <OtherText path={path} />
      <DayClaims path={path} day={day} />
      {day === today && <LeftOpenLine />}
      {begin && (
        <p className="no-print mb-2 text-muted">
          This page is not begun.{' '}
          <button type="button" className="line-button" onClick={begin}>
            {journal === null ? 'Begin it from its template' : 'Begin it'}
          </button>
        </p>
      )}
      {view !== undefined && stored.is !== 'loading' && !waits && (view === 'plan' ? <DayPlan day={day} /> : <DayWeek day={day} />)}
      {view === undefined && stored.is !== 'loading' && !waits && (
        <LazyNoteEditor
          key={`${followed.key} ${opened}`}
          path={path}
          title={dayTitle(day)}
          stored={text}
          line={line}
          autoFocus={text === null}
          placeholder="Write what the day brings. A line that begins with - [ ] is a task."
          onRemoved={() => setOpened(opened + 1)}
          below={<Foot at={path} kind="journal" />}
        />
      )}
    </Sheet>
  );
}
