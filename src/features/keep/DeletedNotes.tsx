import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { baseNameOf, folderOf } from '../../core/note/names/path';
import type { EarlierText } from '../../store/keep/earlier-text';
import { earlierAddress } from '../session/places/addresses';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/asked/use-changes';
import { useBringBack } from './use-bring-back';
import { momentName } from './kept-words';

/** So many are shown at once. */
const MOST = 30;

/** The notes that were deleted in the last 60 days; each is looked at, and brought back as it was. */
export function DeletedNotes() {
  const { store } = useServices();
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const bringBack = useBringBack();
  const changes = useChanges();
  const [gone, setGone] = useState<readonly EarlierText[] | null>(null);
  const [all, setAll] = useState(false);
  useEffect(() => {
    let left = false;
    void store.earlier.gone().then((found) => !left && setGone(found));
    return () => {
      left = true;
    };
  }, [store, changes]);
  if (gone === null) return <p className="text-muted">Looking…</p>;
  if (gone.length === 0) return <p className="text-muted">None. A note that is deleted stands here for 60 days.</p>;
  return (
    <>
      <ul>
        {(all ? gone : gone.slice(0, MOST)).map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-2 border-b border-line py-1">
            <span className="me-auto min-w-0">
              <Link className="name-link [overflow-wrap:anywhere]" to={earlierAddress(one.path)}>
                {baseNameOf(one.path)}
              </Link>{' '}
              <span className="text-[0.86rem] text-muted">
                {folderOf(one.path) === '' ? '' : `${folderOf(one.path).replaceAll('/', ' › ')}, `}deleted{' '}
                {momentName(one.until, today, style)}
              </span>
            </span>
            <button
              type="button"
              className="quiet-button"
              aria-label={`Bring back ${baseNameOf(one.path)}`}
              onClick={() => void bringBack(one)}
            >
              Bring back
            </button>
          </li>
        ))}
      </ul>
      {!all && gone.length > MOST && (
        <button type="button" className="quiet-button text-[0.86rem]" onClick={() => setAll(true)}>
          Show all {gone.length}
        </button>
      )}
    </>
  );
}
