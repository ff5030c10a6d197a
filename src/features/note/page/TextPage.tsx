import { Link } from 'react-router';
import type { FrontMatter } from '../../../core/note/facts/front-matter';
import { dayOfTitle, foldPath } from '../../../core/note/names/path';
import { LazyNoteEditor } from '../../editor/LazyNoteEditor';
import { Foot } from '../foot/Foot';
import { STORED, noteAddress, textAddress } from '../../session/places/addresses';
import { useAppSelector } from '../../session/state/state';
import { DayClaims } from '../clashes/DayClaims';
import { NoteHeader } from './NoteHeader';
import { OtherText } from '../clashes/OtherText';
import { Sheet } from './Sheet';
import { readNoteView } from './note-views';
import { isUntitled } from '../making/untitled';
import { useParameter } from '../../session/places/routes';
import { late } from '../../../ui/late';

const ProjectHead = late(
  () => import('../../pages/project/ProjectHead').then((part) => part.ProjectHead),
  () => <p className="mb-2 min-h-[26px]" />,
);

const ReviewHead = late(
  () => import('../../pages/review/ReviewHead').then((part) => part.ReviewHead),
  () => <p className="mb-3 min-h-16" />,
);

const MeetingHead = late(
  () => import('../../meeting/MeetingHead').then((part) => part.MeetingHead),
  () => <p className="mb-2 min-h-16" />,
);

const SealHead = late(
  () => import('../../sharing/seal/SealHead').then((part) => part.SealHead),
  () => <p className="mb-3 min-h-16" />,
);

const NoteAsTasks = late(
  () => import('./NoteAsTasks').then((part) => part.NoteAsTasks),
  () => <p className="text-muted">Gathering…</p>,
);

interface TextPageProps {
  path: string;
  title: string;
  text: string;
  front: FrontMatter;
  /** The line that is shown, from 0; null for none. */
  line: number | null;
  /** Whether the text has the focus at once, also where it is not empty. */
  takesFocus: boolean;
  /** An agenda page turns to its lists again. */
  onShowLists: () => void;
}

/** A note as its text: its head, what is to be said of it, the editor, and its foot. */
export function TextPage({ path, title, text, front, line, takesFocus, onShowLists }: TextPageProps) {
  const turned = useParameter('view');
  const view = readNoteView(turned);
  const isStored = turned === STORED;
  return (
    <Sheet title={title} wide={view !== null && view !== 'tasks'}>
      <NoteHeader path={path} title={title} isAgenda={front.kind === 'agenda'} onShowLists={onShowLists} />
      {(front.kind === 'project' || front.kind === 'goal') && <ProjectHead path={path} title={title} />}
      {front.kind === 'meeting' && !isStored && <MeetingHead path={path} title={title} front={front} />}
      {front.kind === 'review' && !isStored && <ReviewHead path={path} title={title} text={text} front={front} />}
      {front.kind === 'seal' && !isStored && <SealHead path={path} />}
      {front.problem !== null && (
        <p role="status" className="mb-2 rounded-md bg-late-soft px-3 py-1.5 text-late">
          Line {front.problem.line + 1}: {front.problem.message} The note is shown as text; nothing of it is lost.
        </p>
      )}
      <OtherText path={path} />
      {/* Meetings of a series are called alike, and told apart by their days. */}
      {front.kind !== 'meeting' && <SameTitle path={path} title={title} />}
      <ClaimedDay path={path} />
      {isStored && (
        <p role="status" className="no-print mb-2 text-[0.86rem] text-muted">
          The text as it is stored.{' '}
          <Link className="name-link" to={textAddress(path, title)}>
            Back to the page
          </Link>
        </p>
      )}
      {view === null ? (
        <LazyNoteEditor
          key={isStored ? 'stored' : 'text'}
          plain={isStored}
          path={path}
          title={title}
          stored={text}
          line={line}
          autoFocus={takesFocus || text === ''}
          placeholder={isUntitled(path) ? 'The first line becomes the title.' : 'Write. A line that begins with - [ ] is a task.'}
          onRemoved={() => undefined}
          below={<Foot at={path} kind={front.kind ?? (dayOfTitle(title) === null ? 'note' : 'journal')} />}
        />
      ) : (
        <NoteAsTasks path={path} title={title} text={text} view={view} />
      )}
    </Sheet>
  );
}

/** Says that another note is called the same, so that a link by title may mean either. */
function SameTitle({ path, title }: { path: string; title: string }) {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const other = notes?.find((note) => note.path !== path && foldPath(note.title) === foldPath(title));
  if (!other) return null;
  return (
    <p role="status" className="mb-2 text-[0.86rem] text-muted">
      Another note has this title:{' '}
      <Link className="name-link" to={noteAddress(other.path)}>
        {other.path}
      </Link>
      . Links by title go to the one in the nearest folder; name the path to mean the other.
    </p>
  );
}

/** Tells when this note is called or dated as a day that another note claims too. */
function ClaimedDay({ path }: { path: string }) {
  const day = useAppSelector((state) => state.library.overview?.notes.find((note) => note.path === path)?.journal ?? null);
  return day === null ? null : <DayClaims path={path} day={day} />;
}
