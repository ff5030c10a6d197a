import { Link, useLocation } from 'react-router';
import { outsideAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { stateWords } from './outside-words';
import { useOutsideLists } from './use-outside-lists';

/**
 * Says above a gather from outside lists what is not as it should be: a list that nobody follows, one that is not reached and since when. What
 * is known of one that is not reached stands there dimmed.
 *
 * @param list the one it gathers from; null for all
 */
export function OutsideLine({ list }: { list: string | null }) {
  const lists = useOutsideLists();
  // The page of a list says it once above.
  const isOnPage = useLocation().pathname.startsWith(`${outsideAddress()}/`);
  const { day } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  if (!lists) return null;
  const meant = lists.filter(({ name }) => list === null || name.toLowerCase() === list.toLowerCase());
  if (meant.length === 0)
    return (
      <p className="text-muted">
        {list === null ? 'No outside list is followed here.' : `No outside list “${list}” is followed here.`}{' '}
        <Link className="name-link" to={outsideAddress()}>
          Outside lists
        </Link>
      </p>
    );
  const isAway = meant.some(({ trouble }) => trouble !== null);
  return (
    <div className="peer" data-away={isAway}>
      {!isOnPage &&
        meant
          .filter(({ trouble, asks, lost }) => trouble !== null || asks.length + lost.length > 0)
          .map((one) => (
            <p key={one.name} role="status" className={one.trouble === null ? 'text-muted' : 'text-late'}>
              <Link className="name-link" to={outsideAddress(one.name)}>
                {one.name}
              </Link>
              : {one.trouble === null ? 'something is asked.' : stateWords(one, day, style)}
            </p>
          ))}
    </div>
  );
}
