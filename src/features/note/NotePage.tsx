import { Suspense, lazy, useEffect, useRef, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { readFrontMatter } from '../../core/note/facts/front-matter';
import { splitLines } from '../../core/note/blocks/lines';
import { baseNameOf, dayOfTitle, foldPath } from '../../core/note/names/path';
import { noteAddress } from '../session/places/addresses';
import { useAppSelector } from '../session/state/state';
import { Foot } from '../foot/Foot';
import { useYaml } from '../session/state/use-yaml';
import { AgendaPage } from '../agenda/AgendaPage';
import { LazyNoteEditor } from '../editor/LazyNoteEditor';
import { BytesPage } from './BytesPage';
import { DayClaims } from './DayClaims';
import { NoteHeader } from './NoteHeader';
import { OtherText } from './OtherText';
import { Sheet } from './Sheet';
import { isUntitled } from './untitled';
import { useFirstLineTitle } from './use-first-line-title';
import { type Followed, useFollowed } from './use-followed';
import { useStoredNote } from './use-stored-note';
import { useLineParameter } from '../session/places/routes';

const ProjectHead = lazy(() => import('../project/ProjectHead').then((part) => ({ default: part.ProjectHead })));

/** The page of a note: an agenda page as its lists, any other as text. */
export function NotePage() {
  const path = useParams()['*'] ?? '';
  const { key, follows } = useFollowed(path);
  const navigate = useNavigate();
  const { search } = useLocation();
  const moved = (to: string): void => {
    follows(to);
    void navigate({ pathname: noteAddress(to), search }, { replace: true });
  };
  return <NoteAt key={key} path={path} followed={{ key, follows: moved }} />;
}

function NoteAt({ path, followed }: { path: string; followed: Followed }) {
  const stored = useStoredNote(path, followed);
  useYaml();
  const line = useLineParameter();
  const navigate = useNavigate();
  const [asText, setAsText] = useState(false);
  const wasThere = useRef(false);
  useFirstLineTitle(path);
  useEffect(() => {
    if (stored.is === 'there') wasThere.current = true;
  }, [stored]);
  if (stored.is === 'loading') return <Sheet title="" busy />;
  if (stored.is === 'absent') return <AbsentNote path={path} wasThere={wasThere.current} />;
  if ('bytes' in stored.content) return <BytesPage path={stored.path} bytes={stored.content.bytes} />;
  const { text } = stored.content;
  const front = readFrontMatter(splitLines(text));
  const title = front.title ?? baseNameOf(stored.path);
  if (front.kind === 'agenda' && !asText && line === null) {
    return <AgendaPage path={stored.path} title={title} text={text} onEdit={() => setAsText(true)} />;
  }
  return (
    <Sheet title={title}>
      <NoteHeader
        path={stored.path}
        title={title}
        isAgenda={front.kind === 'agenda'}
        onShowLists={() => {
          setAsText(false);
          if (line !== null) void navigate({ search: '' }, { replace: true });
        }}
      />
      {(front.kind === 'project' || front.kind === 'goal') && (
        <Suspense fallback={<p className="mb-2 min-h-[26px]" />}>
          <ProjectHead path={stored.path} title={title} />
        </Suspense>
      )}
      {front.problem !== null && (
        <p role="status" className="mb-2 rounded-md bg-late-soft px-3 py-1.5 text-late">
          Line {front.problem.line + 1}: {front.problem.message} The note is shown as text; nothing of it is lost.
        </p>
      )}
      <OtherText path={stored.path} />
      <SameTitle path={stored.path} title={title} />
      <ClaimedDay path={stored.path} />
      <LazyNoteEditor
        path={stored.path}
        title={title}
        stored={text}
        line={line}
        autoFocus={text === ''}
        placeholder={isUntitled(stored.path) ? 'The first line becomes the title.' : 'Write. A line that begins with - [ ] is a task.'}
        onRemoved={() => undefined}
        below={<Foot at={stored.path} kind={front.kind ?? (dayOfTitle(title) === null ? 'note' : 'journal')} />}
      />
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

function AbsentNote({ path, wasThere }: { path: string; wasThere: boolean }) {
  return (
    <Sheet title="No such note">
      <h1 className="font-title text-[1.86rem] font-bold">{wasThere ? 'This note is gone' : 'There is no such note'}</h1>
      <p className="mt-2 text-muted">
        {wasThere
          ? `“${baseNameOf(path)}” was deleted or moved. Undo brings it back.`
          : `Nothing is stored as ${path}. It may have been renamed, moved or deleted.`}
      </p>
      <p className="mt-4">
        <Link className="name-link" to="/note/Agenda/Today.md">
          Go to Today
        </Link>
      </p>
    </Sheet>
  );
}
