import { useState } from 'react';
import { refuse } from '../../session/telling/messages';
import { cleanPath, folderOf } from '../../../core/note/names/path';
import { Dialog } from '../../../ui/Dialog';
import { useServices } from '../../session/state/services';
import { useToldDone } from '../../session/acting/use-act';
import { FolderField } from './FolderField';

/** Asks for the folder that a note is to stand in. */
export function MoveDialog({ path, open, onClose }: { path: string; open: boolean; onClose: () => void }) {
  const { actions } = useServices();
  const told = useToldDone();
  const [folder, setFolder] = useState(folderOf(path));
  const move = async (): Promise<void> => {
    const clean = folder.trim() === '' ? '' : cleanPath(folder.trim());
    if (clean === null) {
      refuse('A folder is a name, or names with / between them.');
      return;
    }
    const result = await actions.move(path, clean);
    if ('refused' in result) refuse(result.refused);
    else {
      onClose();
      told(`Moved to ${folderOf(result.path) || 'the top'}`, result.step);
    }
  };
  return (
    <Dialog open={open} onClose={onClose} title="Move the note">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void move();
        }}
      >
        <FolderField value={folder} onChange={setFolder} />
        <button type="submit" className="solid-button justify-self-start">
          Move
        </button>
      </form>
    </Dialog>
  );
}
