import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { dayName } from '../../core/calendar/day-name';
import { durationName } from '../../core/calendar/duration';
import type { ListedReview } from '../../core/index/questions/reviews';
import { noteAddress } from '../session/places/addresses';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/state/use-changes';
import { LengthBars } from './LengthBars';

const MOST = 12;

/** How long the last reviews took. */
export function ReviewTimes() {
  const { engine } = useServices();
  const changes = useChanges();
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const [reviews, setReviews] = useState<readonly ListedReview[]>([]);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    void engine.ask('reviews', {}).then(
      (all) =>
        !gone &&
        setReviews(
          all
            .filter(({ facts }) => facts.minutes !== null)
            .slice(-MOST)
            .reverse(),
        ),
    );
    return () => {
      gone = true;
    };
  }, [engine, isReady, changes]);
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
