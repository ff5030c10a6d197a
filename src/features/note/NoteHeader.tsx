import { MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { folderOf } from '../../core/note/path';
import { saveFile } from '../exchange/save-file';
import { noteAddress } from '../session/addresses';
import { useServices } from '../session/services';
import { frameSlice } from '../session/frame-slice';
import { useAppDispatch, useAppSelector } from '../session/state';
import { useUndo } from '../session/use-act';
import { Menu, MenuChoice, MenuEntry, MenuInside, MenuLine } from '../../ui/menu';
import { PinEntry } from '../rack/PinEntry';
import { MoveDialog } from './MoveDialog';
import { ResetDialog } from './ResetDialog';
import { useClearFinished } from './use-clear-finished';

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
  const [resetting, setResetting] = useState(false);
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
        <NoteMenu path={path} title={title} onMove={() => setMoving(true)} onReset={() => setResetting(true)} />
      </div>
      {resetting && <ResetDialog path={path} onClose={() => setResetting(false)} />}
      <MoveDialog path={path} open={moving} onClose={() => setMoving(false)} />
    </header>
  );
}

function renamedWords(places: number): string {
  if (places === 0) return 'Renamed.';
  return `Renamed; ${places} ${places === 1 ? 'link follows' : 'links follow'}.`;
}

const FINISHED = [
  ['stay', 'stay where they are'],
  ['sink', 'go to the end of their list'],
  ['hide', 'are out of sight'],
] as const;

function NoteMenu({ path, title, onMove, onReset }: { path: string; title: string; onMove: () => void; onReset: () => void }) {
  const { actions, store } = useServices();
  const dispatch = useAppDispatch();
  const finished = useAppSelector((state) => state.frame.finished[path] ?? state.settings.finished);
  const clear = useClearFinished(path, title);
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
    <Menu
      trigger={
        <button type="button" className="quiet-button no-print mt-1" aria-label="Actions for this note">
          <MoreHorizontal size={17} aria-hidden="true" />
        </button>
      }
    >
      <MenuInside label="Finished lines">
        <DropdownMenu.RadioGroup value={finished}>
          {FINISHED.map(([value, label]) => (
            <MenuChoice
              key={value}
              value={value}
              label={label}
              onSelect={() => dispatch(frameSlice.actions.finishedChosen({ path, finished: value }))}
            />
          ))}
        </DropdownMenu.RadioGroup>
        <MenuLine />
        <MenuEntry label="Clear them: under a heading at the foot" onSelect={() => void clear('foot')} />
        <MenuEntry label="Clear them: to the archive" onSelect={() => void clear('archive')} />
        <MenuEntry label="Clear them: away" danger onSelect={() => void clear('away')} />
      </MenuInside>
      <MenuEntry label="Start its lists again…" onSelect={onReset} />
      <MenuLine />
      <PinEntry title={title} />
      <MenuEntry label="Move to a folder…" onSelect={onMove} />
      <MenuEntry label="Save as a Markdown file" onSelect={() => void save()} />
      <MenuEntry label="Print" onSelect={() => window.print()} />
      <MenuEntry label="Delete" danger onSelect={() => void remove()} />
    </Menu>
  );
}
