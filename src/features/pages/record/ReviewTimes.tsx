import { Link } from 'react-router';
import { dayName } from '../../../core/calendar/day-name';
import { durationName } from '../../../core/calendar/duration';
import { noteAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';
import { LengthBars } from './LengthBars';

const MOST = 12;

/** How long the last reviews took. */
export function ReviewTimes() {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const all = useAsked('reviews', {}) ?? [];
  const reviews = all
    .filter(({ facts }) => facts.minutes !== null)
    .slice(-MOST)
    .reverse();
  if (reviews.length === 0) return null;
  return (
    <LengthBars
      title="Time of reviews"
      rows={reviews.map(({ path, title, facts }) => ({
        key: path,
        name: (
          <Link className="name-link" to={noteAddress(path)}>
            {facts.date === null ? title : dayName(facts.date, today, style)}
          </Link>
        ),
        value: facts.minutes ?? 0,
        said: durationName(facts.minutes ?? 0),
      }))}
    />
  );
}
