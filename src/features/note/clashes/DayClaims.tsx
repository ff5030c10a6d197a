import { Link } from 'react-router';
import type { Day } from '../../../core/calendar/day';
import { journalClaims } from '../../../core/index/live/journal-claims';
import { noteAddress } from '../../session/places/addresses';
import { useAppSelector } from '../../session/state/state';

interface DayClaimsProps {
  /** The note that shows it. */
  path: string;
  day: Day;
}

/** Says that another note claims the same day, and which of them is the day's journal page. */
export function DayClaims({ path, day }: DayClaimsProps) {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const name = notes?.find((note) => note.path === path)?.journalName ?? null;
  const claims = notes ? journalClaims(notes, day, name) : [];
  const others = claims.filter((note) => note.path !== path);
  if (others.length === 0) return null;
  const counts = claims[0]?.path === path;
  return (
    <p role="status" className="mb-2 text-[0.86rem] text-muted">
      {counts ? 'This day is also claimed by ' : 'This day’s journal page is another note: '}
      {(counts ? others : claims.slice(0, 1)).map((note, index) => (
        <span key={note.path}>
          {index > 0 && ', '}
          <Link className="name-link" to={noteAddress(note.path)}>
            {note.path}
          </Link>
        </span>
      ))}
      . Give one of them another title or date.
    </p>
  );
}
