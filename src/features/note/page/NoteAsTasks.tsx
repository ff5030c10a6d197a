import { useMemo } from 'react';
import { Link } from 'react-router';
import { readFrame } from '../../../core/note/facts/note-frame';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { noteAddress, textAddress } from '../../session/places/addresses';
import { NewHeading } from './NewHeading';
import { NOTE_VIEWS, type NoteView, viewGathers } from './note-views';

interface NoteAsTasksProps {
  path: string;
  title: string;
  text: string;
  view: NoteView;
}

/** A note as its tasks alone, on the whole sheet: as a list, by day, or as a board. */
export function NoteAsTasks({ path, title, text, view }: NoteAsTasksProps) {
  const frame = useMemo(() => readFrame(text), [text]);
  const gathers = useMemo(() => viewGathers(view, frame), [view, frame]);
  return (
    <>
      <nav aria-label="Views of the note" className="no-print mb-2 flex flex-wrap gap-1">
        <Link className="quiet-button text-[0.86rem]" to={textAddress(path, title)}>
          Text
        </Link>
        {NOTE_VIEWS.map(([one, label]) => (
          <Link
            key={one}
            className={`quiet-button text-[0.86rem] ${one === view ? 'bg-raised font-semibold text-ink' : ''}`}
            aria-current={one === view || undefined}
            to={noteAddress(path, undefined, one)}
          >
            {label}
          </Link>
        ))}
      </nav>
      <AgendaLists key={view} path={path} home="" gathers={gathers} look="page" />
      {view === 'by-heading' && <NewHeading path={path} text={text} />}
    </>
  );
}
