import { useEffect, useRef, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { readFrontMatter } from '../../../core/note/facts/front-matter';
import { splitLines } from '../../../core/note/blocks/lines';
import { baseNameOf, isSealedPath } from '../../../core/note/names/path';
import { STORED, noteAddress } from '../../session/places/addresses';
import { useYaml } from '../../session/state/use-yaml';
import { AgendaPage } from '../../pages/agenda/AgendaPage';
import { Sheet } from './Sheet';
import { useFirstLineTitle } from '../making/use-first-line-title';
import { type Followed, useFollowed } from '../use-followed';
import { useStoredNote } from '../use-stored-note';
import { useLineParameter, useParameter } from '../../session/places/routes';
import { late } from '../../../ui/late';

// Agenda pages do without them.
const BytesPage = late(
  () => import('./BytesPage').then((part) => part.BytesPage),
  () => <Sheet title="" busy />,
);
const SealedPage = late(
  () => import('../../sharing/seal/SealedPage').then((part) => part.SealedPage),
  () => <Sheet title="" busy />,
);
const TextPage = late(
  () => import('./TextPage').then((part) => part.TextPage),
  ({ title }) => <Sheet title={title} busy />,
);

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
  const isStored = useParameter('view') === STORED;
  const wasThere = useRef(false);
  // Whoever opens a sealed note goes on in its text.
  const wasSealed = useRef(false);
  useFirstLineTitle(path);
  useEffect(() => {
    if (stored.is === 'there') wasThere.current = true;
  }, [stored]);
  if (stored.is === 'loading') return <Sheet title="" busy />;
  if (stored.is === 'absent') return <AbsentNote path={path} wasThere={wasThere.current} />;
  const isClosed = 'bytes' in stored.content && isSealedPath(stored.path);
  wasSealed.current ||= isClosed;
  if (isClosed) return <SealedPage path={stored.path} />;
  if ('bytes' in stored.content) return <BytesPage path={stored.path} bytes={stored.content.bytes} />;
  const { text } = stored.content;
  const front = readFrontMatter(splitLines(text));
  const title = front.title ?? baseNameOf(stored.path);
  if (front.kind === 'agenda' && !asText && !isStored && line === null) {
    return <AgendaPage path={stored.path} title={title} text={text} onEdit={() => setAsText(true)} />;
  }
  return (
    <TextPage
      path={stored.path}
      title={title}
      text={text}
      front={front}
      line={line}
      takesFocus={wasSealed.current}
      onShowLists={() => {
        setAsText(false);
        if (line !== null || isStored) void navigate({ search: '' }, { replace: true });
      }}
    />
  );
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
