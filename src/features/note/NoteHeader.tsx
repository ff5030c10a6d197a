import { MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { folderOf } from '../../core/note/path';
import { saveFile } from '../exchange/save-file';
import { noteAddress } from '../session/addresses';
import { useServices } from '../session/services';
import { useUndo } from '../session/use-act';
import { MoveDialog } from './MoveDialog';

interface NoteHeaderProps {
  path: string;
  title: string;
  isAgenda: boolean;
  onShowLists: () => void;
}

/** Folder, title and menu of a note. The title is a field: Enter stores it, Escape takes it back. */
export function NoteHeader({ path, title, isAgenda, onShowLists }: NoteHeaderProps) {
  const { actions } = useServices();
  const navigate = useNavigate();
  const [typed, setTyped] = useState(title);
  const [moving, setMoving] = useState(false);
  const rename = async (): Promise<void> => {
    if (typed.trim() === title) return;
    const result = await actions.rename(path, typed);
    if ('refused' in result) {
      toast.error(result.refused);
      setTyped(title);
      return;
    }
    toast(renamedWords(result.places));
    void navigate(noteAddress(result.path), { replace: true });
  };
  return (
    <header className="mb-2">
      <p className="text-[0.86rem] text-muted">{folderOf(path).replaceAll('/', ' › ') || 'Notes'}</p>
      <div className="flex items-start gap-2">
        <input
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
        <NoteMenu path={path} title={title} onMove={() => setMoving(true)} />
      </div>
      <MoveDialog path={path} open={moving} onClose={() => setMoving(false)} />
    </header>
  );
}

function renamedWords(places: number): string {
  if (places === 0) return 'Renamed.';
  return `Renamed; ${places} ${places === 1 ? 'link follows' : 'links follow'}.`;
}

function NoteMenu({ path, title, onMove }: { path: string; title: string; onMove: () => void }) {
  const { actions, store } = useServices();
  const undo = useUndo();
  const remove = async (): Promise<void> => {
    const result = await actions.remove([path], `Deleted: ${title}`);
    if ('refused' in result) toast.error(result.refused);
    else toast(`Deleted: ${title}`, { action: { label: 'Undo', onClick: () => void undo() } });
  };
  const save = async (): Promise<void> => {
    const text = await store.text(path);
    if (text !== null) saveFile(path.slice(path.lastIndexOf('/') + 1), new TextEncoder().encode(text));
  };
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <button type="button" className="quiet-button no-print mt-1" aria-label="Actions for this note">
          <MoreHorizontal size={17} aria-hidden="true" />
        </button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu-panel" align="end" sideOffset={4}>
          <DropdownMenu.Item className="menu-item" onSelect={onMove}>
            Move to a folder…
          </DropdownMenu.Item>
          <DropdownMenu.Item className="menu-item" onSelect={() => void save()}>
            Save as a Markdown file
          </DropdownMenu.Item>
          <DropdownMenu.Item className="menu-item" onSelect={() => window.print()}>
            Print
          </DropdownMenu.Item>
          <DropdownMenu.Item className="menu-item" onSelect={() => void remove()}>
            Delete
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
