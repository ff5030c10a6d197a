import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { dayName } from '../../core/calendar/day-name';
import { durationName } from '../../core/calendar/duration';
import type { ListedReview } from '../../core/index/questions/reviews';
import { noteAddress } from '../session/places/addresses';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/state/use-changes';

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
  const most = Math.max(1, ...reviews.map(({ facts }) => facts.minutes ?? 0));
  return (
    <section aria-label="Time of reviews" className="mb-6">
      <h2 className="mb-1 font-title text-[1.17rem] font-semibold">Time of reviews</h2>
      <table className="border-collapse text-[0.93rem]">
        <tbody>
          {reviews.map(({ path, title, facts }) => (
            <tr key={path}>
              <th scope="row" className="py-0.5 pe-4 text-start font-normal">
                <Link className="name-link" to={noteAddress(path)}>
                  {facts.date === null ? title : dayName(facts.date, today, style)}
                </Link>
              </th>
              <td className="py-0.5">
                <span className="flex items-center gap-2">
                  <span
                    aria-hidden="true"
                    className="inline-block h-[9px] bg-primary"
                    style={{ width: `${(160 * (facts.minutes ?? 0)) / most}px` }}
                  />
                  {durationName(facts.minutes ?? 0)}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
