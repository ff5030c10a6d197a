import { useState } from 'react';
import { useNavigate } from 'react-router';
import { refuse } from '../session/acting/messages';
import { cleanPath } from '../../core/note/names/path';
import { Dialog } from '../../ui/Dialog';
import { noteAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import type { AskedDialog } from '../session/acting/task-dialog';
import { FolderField } from './FolderField';

interface NewNoteDialogProps {
  open: boolean;
  asked: Extract<AskedDialog, { is: 'new-note' }>;
  onClose: () => void;
}

/** Makes a note: a title, and a folder if one likes. */
export function NewNoteDialog({ open, asked, onClose }: NewNoteDialogProps) {
  return (
    <Dialog open={open} onClose={onClose} title="New note">
      <NewNoteForm asked={asked} onClose={onClose} />
    </Dialog>
  );
}

function NewNoteForm({ asked, onClose }: Omit<NewNoteDialogProps, 'open'>) {
  const { actions } = useServices();
  const navigate = useNavigate();
  const [title, setTitle] = useState(asked.title ?? '');
  const [folder, setFolder] = useState(asked.folder ?? '');
  const make = async (): Promise<void> => {
    const clean = folder.trim() === '' ? '' : cleanPath(folder.trim());
    if (clean === null) {
      refuse('A folder is a name, or names with / between them.');
      return;
    }
    const made = await actions.create(clean, title.trim(), '');
    if ('refused' in made) {
      refuse(made.refused);
      return;
    }
    onClose();
    void navigate(noteAddress(made.path));
  };
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      {asked.title !== undefined && <p className="text-muted">There is no note “{asked.title}” yet. Make it, and the link leads there.</p>}
      <label className="grid gap-1">
        <span className="section-label">Title</span>
        <input className="field" required autoFocus value={title} onChange={(event) => setTitle(event.target.value)} />
      </label>
      <FolderField value={folder} onChange={setFolder} />
      <button type="submit" className="solid-button justify-self-start" disabled={title.trim() === ''}>
        Make the note
      </button>
    </form>
  );
}
