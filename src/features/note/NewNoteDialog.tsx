import { useState } from 'react';
import { useNavigate } from 'react-router';
import { refuse } from '../session/messages';
import { cleanPath } from '../../core/note/path';
import { Dialog } from '../../ui/Dialog';
import { noteAddress } from '../session/addresses';
import { useServices } from '../session/services';
import { useAppSelector } from '../session/state';
import { FolderField } from './FolderField';

/** Makes a note: a title, and a folder if one likes. */
export function NewNoteDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="New note">
      <NewNoteForm onClose={onClose} />
    </Dialog>
  );
}

function NewNoteForm({ onClose }: { onClose: () => void }) {
  const { actions } = useServices();
  const navigate = useNavigate();
  const asked = useAppSelector((state) => state.frame.newNote);
  const [title, setTitle] = useState(asked?.title ?? '');
  const [folder, setFolder] = useState(asked?.folder ?? '');
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
      {asked && <p className="text-muted">There is no note “{asked.title}” yet. Make it, and the link leads there.</p>}
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
