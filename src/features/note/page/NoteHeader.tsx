import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { folderOf } from '../../../core/note/names/path';
import { folderAddress } from '../../session/places/addresses';
import { unlooked } from '../../sharing/seal/unlooked';
import { useSeals } from '../../sharing/seal/use-seals';
import { useServices } from '../../session/state/services';
import { useToldDone } from '../../session/acting/use-act';
import { NoteMenu } from '../acts/NoteMenu';

interface NoteHeaderProps {
  path: string;
  title: string;
  isAgenda: boolean;
  onShowLists: () => void;
}

/** Folder, title and menu of a note. The title is a field: Enter stores it, Escape takes it back. The page goes where the note goes. */
export function NoteHeader({ path, title, isAgenda, onShowLists }: NoteHeaderProps) {
  const { actions } = useServices();
  const told = useToldDone();
  const { closed } = useSeals();
  const [draft, setDraft] = useState({ of: title, typed: title });
  // Another title came, by this field or from elsewhere.
  if (draft.of !== title) setDraft({ of: title, typed: title });
  const { typed } = draft;
  const setTyped = (words: string): void => setDraft({ of: title, typed: words });
  const field = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<string | null>(null);
  /** What was typed stays when it is refused, with the reason. */
  const rename = async (): Promise<void> => {
    if (typed.trim() === title) return setRefused(null);
    const result = await actions.rename(path, typed);
    if ('refused' in result) return setRefused(result.refused);
    setRefused(null);
    told([renamedWords(result.places), unlooked(closed)].filter(Boolean).join(' '), result.step);
  };
  return (
    <header className="mb-2">
      <p className="text-[0.86rem] text-muted">
        <Link className="inline-flex min-h-[25px] items-center hover:underline" to={folderAddress(folderOf(path))}>
          {folderOf(path).replaceAll('/', ' › ') || 'Notes'}
        </Link>
      </p>
      <div className="flex items-start gap-2">
        <input
          ref={field}
          aria-label="Title of the note"
          className="min-w-0 flex-1 rounded-md bg-transparent font-title text-[1.86rem] leading-tight font-bold"
          value={typed}
          aria-invalid={refused !== null}
          aria-describedby={refused === null ? undefined : 'title-refused'}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => void rename()}
          onKeyDown={(event) => {
            if (event.key === 'Enter') void rename();
            if (event.key === 'Escape') {
              setTyped(title);
              setRefused(null);
            }
          }}
        />
        {isAgenda && (
          <button type="button" className="line-button" onClick={onShowLists}>
            Show the lists
          </button>
        )}
        <span className="mt-1">
          <NoteMenu path={path} title={title} onRename={() => field.current?.select()} />
        </span>
      </div>
      {refused !== null && (
        <p id="title-refused" role="alert" className="text-late">
          {refused}
        </p>
      )}
    </header>
  );
}

function renamedWords(places: number): string {
  if (places === 0) return 'Renamed.';
  return `Renamed; ${places} ${places === 1 ? 'link follows' : 'links follow'}.`;
}
