import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { folderOf } from '../../core/note/path';
import { useServices } from '../session/services';
import { useToldDone } from '../session/use-act';
import { NoteMenu } from './NoteMenu';

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
  const [typed, setTyped] = useState(title);
  const field = useRef<HTMLInputElement>(null);
  const rename = async (): Promise<void> => {
    if (typed.trim() === title) return;
    const result = await actions.rename(path, typed);
    if ('refused' in result) {
      toast.error(result.refused);
      setTyped(title);
      return;
    }
    told(renamedWords(result.places), result.step);
  };
  return (
    <header className="mb-2">
      <p className="text-[0.86rem] text-muted">{folderOf(path).replaceAll('/', ' › ') || 'Notes'}</p>
      <div className="flex items-start gap-2">
        <input
          ref={field}
          aria-label="Title of the note"
          className="min-w-0 flex-1 rounded-md bg-transparent font-title text-[1.86rem] leading-tight font-bold"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => void rename()}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
            if (event.key === 'Escape') setTyped(title);
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
    </header>
  );
}

function renamedWords(places: number): string {
  if (places === 0) return 'Renamed.';
  return `Renamed; ${places} ${places === 1 ? 'link follows' : 'links follow'}.`;
}
