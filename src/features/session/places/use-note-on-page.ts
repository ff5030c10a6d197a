import { useLocation, useParams } from 'react-router';
import { readIsoDay } from '../../../core/calendar/day';
import { pageInJournal } from '../../../core/index/live/journal-claims';
import { useAppSelector } from '../state/state';
import { restOf } from './routes';

/** The path of the note on the page; null on pages that are none. */
export function useNoteOnPage(): string | null {
  const { pathname } = useLocation();
  const rest = useParams()['*'];
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const journal = useAppSelector((state) => state.frame.journal);
  const path = restOf('note', pathname);
  if (path !== null) return rest ?? path;
  const day = readIsoDay(restOf('day', pathname) ?? '');
  if (day === null) return null;
  return pageInJournal(notes ?? [], day, journal);
}
