import { Pencil } from 'lucide-react';
import { useMemo } from 'react';
import { readNote } from '../../core/task/read-note';
import { folderOf } from '../../core/note/path';
import { Sheet } from '../note/Sheet';
import { AgendaLists } from './AgendaLists';
import { introOf } from './intro';

interface AgendaPageProps {
  path: string;
  title: string;
  text: string;
  onEdit: () => void;
}

/** An agenda page as a working list: what its note says first, then each of its gathers. */
export function AgendaPage({ path, title, text, onEdit }: AgendaPageProps) {
  const note = useMemo(() => readNote(path, text), [path, text]);
  const intro = introOf(note);
  return (
    <Sheet title={title}>
      <header className="mb-4">
        <p className="text-[0.86rem] text-muted">{folderOf(path).replaceAll('/', ' › ') || 'Notes'}</p>
        <div className="flex items-start justify-between gap-4">
          <h1 className="font-title text-[1.86rem] leading-tight font-bold">{title}</h1>
          <button type="button" className="quiet-button no-print mt-1" onClick={onEdit}>
            <Pencil size={14} aria-hidden="true" />
            Edit as text
          </button>
        </div>
        {intro !== '' && <p className="text-muted">{intro}</p>}
      </header>
      <AgendaLists path={path} gathers={note.gathers.map((gather) => gather.text)} look="page" />
    </Sheet>
  );
}
