import { ChevronDown, ChevronRight, Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { NoteSummary } from '../../../core/index/live/overview';
import { foldPath } from '../../../core/note/names/path';
import { readFrame } from '../../../core/note/facts/note-frame';
import { MoreMenu } from '../../../ui/menu/MoreMenu';
import { MenuEntry } from '../../../ui/menu/menu';
import { AgendaLists } from '../agenda/AgendaLists';
import { readableTitle } from '../../note/links/readable-title';
import { useFolded } from '../../gather/list/use-folded';
import { Sheet } from '../../note/page/Sheet';
import { useStoredNote } from '../../note/use-stored-note';
import { PinEntry } from '../../frame/rack/PinEntry';
import { RenameFolder } from '../../frame/rack/RenameFolder';
import { type Folder, folderAt, folderTree } from '../../frame/rack/folder-tree';
import { folderAddress, noteAddress } from '../../session/places/addresses';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/** The page of a folder: what it holds, each note with its headings and its open tasks when it is opened. */
export function FolderPage() {
  const path = useParams()['*'] ?? '';
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const folder = useMemo(() => (notes ? folderAt(folderTree(notes), path) : null), [notes, path]);
  if (!notes) return <Sheet title={path} busy />;
  if (!folder)
    return (
      <Sheet title={path}>
        <h1 className="font-title text-[1.86rem] font-bold">There is no folder “{path}”</h1>
        <p className="mt-2 text-muted">A folder is there as long as a note lies in it. It may have been renamed or emptied.</p>
      </Sheet>
    );
  return <OneFolder key={foldPath(path)} folder={folder} />;
}

function OneFolder({ folder }: { folder: Folder }) {
  const title = folder.path === '' ? 'Notes' : folder.name;
  const around = folder.path.split('/').slice(0, -1);
  const { folded: opened, toggle } = useFolded(`folder ${folder.path}`);
  return (
    <Sheet title={title}>
      <header className="mb-4">
        <p className="text-[0.86rem] text-muted">
          {folder.path === '' ? (
            'Folder'
          ) : (
            <>
              <Link className="inline-flex min-h-[25px] items-center hover:underline" to={folderAddress('')}>
                Notes
              </Link>
              {around.map((name, depth) => (
                <span key={depth}>
                  {' › '}
                  <Link
                    className="inline-flex min-h-[25px] items-center hover:underline"
                    to={folderAddress(around.slice(0, depth + 1).join('/'))}
                  >
                    {name}
                  </Link>
                </span>
              ))}
            </>
          )}
        </p>
        <div className="flex items-start gap-2">
          <h1 className="min-w-0 flex-1 font-title text-[1.86rem] leading-tight font-bold">{title}</h1>
          <span className="mt-2 text-[0.86rem] font-semibold text-muted">{folder.open > 0 ? `${folder.open} open` : ''}</span>
          <FolderMenu folder={folder} />
        </div>
      </header>
      {folder.folders.length > 0 && (
        <ul className="mb-4" aria-label="Folders">
          {folder.folders.map((inner) => (
            <li key={inner.path} className="flex min-h-[28px] items-center gap-2">
              <Link className="name-link font-semibold" to={folderAddress(inner.path)}>
                {inner.name}
              </Link>
              <span className="text-[0.86rem] text-muted">{inner.open > 0 ? `${inner.open} open` : ''}</span>
            </li>
          ))}
        </ul>
      )}
      <ul aria-label="Notes">
        {folder.notes.map((note) => (
          <NoteLine key={note.path} note={note} isOpen={opened.has(note.path)} onToggle={() => toggle(note.path)} />
        ))}
      </ul>
    </Sheet>
  );
}

function FolderMenu({ folder }: { folder: Folder }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [renaming, setRenaming] = useState(false);
  return (
    <>
      <button
        type="button"
        className="quiet-button no-print mt-1"
        aria-label="New note in this folder"
        title="New note in this folder"
        onClick={() => dispatch(frameSlice.actions.dialogShown({ is: 'new-note', folder: folder.path }))}
      >
        <Plus size={17} aria-hidden="true" />
      </button>
      <span className="mt-1">
        <MoreMenu label="Actions for this folder">
          <PinEntry title={folder.path === '' ? 'Notes' : folder.name} />
          {folder.path !== '' && <MenuEntry label="Rename the folder…" onSelect={() => setRenaming(true)} />}
        </MoreMenu>
      </span>
      {renaming && (
        <RenameFolder
          path={folder.path}
          onClose={() => setRenaming(false)}
          onDone={(to) => void navigate(folderAddress(to), { replace: true })}
        />
      )}
    </>
  );
}

interface NoteLineProps {
  note: NoteSummary;
  isOpen: boolean;
  onToggle: () => void;
}

function NoteLine({ note, isOpen, onToggle }: NoteLineProps) {
  const title = readableTitle(note.title);
  return (
    <li className="border-b border-line py-0.5">
      <div className="flex min-h-[30px] items-center gap-1">
        <button
          type="button"
          className="quiet-button"
          aria-expanded={isOpen}
          aria-label={`Headings and tasks of ${title}`}
          onClick={onToggle}
        >
          {isOpen ? <ChevronDown size={14} aria-hidden="true" /> : <ChevronRight size={14} aria-hidden="true" />}
        </button>
        <Link className="name-link min-w-0 truncate" to={noteAddress(note.path)}>
          {title}
        </Link>
        <span className="ms-auto text-[0.86rem] text-muted">{note.open > 0 ? `${note.open} open` : ''}</span>
      </div>
      {isOpen && <InNote path={note.path} />}
    </li>
  );
}

/** The headings of a note, and its open tasks under theirs. */
function InNote({ path }: { path: string }) {
  const stored = useStoredNote(path);
  const text = stored.is === 'there' && 'text' in stored.content ? stored.content.text : null;
  const headings = useMemo(
    () => (text === null ? [] : readFrame(text).structure.headings.filter(({ topLevel, words }) => topLevel && words !== '')),
    [text],
  );
  return (
    <div className="ms-7 mb-2">
      {headings.length > 0 && (
        <ul aria-label="Headings" className="mb-1 flex flex-wrap gap-x-3">
          {headings.map(({ line, words }) => (
            <li key={line}>
              <Link to={noteAddress(path, line)} className="inline-flex min-h-[25px] items-center text-[0.9rem] text-muted hover:underline">
                {words}
              </Link>
            </li>
          ))}
        </ul>
      )}
      <AgendaLists
        path={path}
        look="page"
        saysEmpty={headings.length === 0}
        gathers={headings.length > 0 ? UNDER_HEADINGS : OPEN_HERE}
        titled={false}
      />
    </div>
  );
}

const OPEN_HERE = ['where open and this note\norder by path\ncolumns due, plan, start, takes, steps\nincluding resting'];
const UNDER_HEADINGS = OPEN_HERE.map((gather) => `${gather}\ngroup by heading`);
