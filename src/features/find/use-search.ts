import { useEffect, useState } from 'react';
import type { SearchAnswer, SearchShows } from '../../core/index/questions/search';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/state/use-changes';

/** While notes are still being looked through, it is asked again after so many milliseconds. */
const AGAIN = 400;

/**
 * What a search finds, as it stands; until it is known what was found last, null at first.
 *
 * @param most how many notes are told; all are counted
 */
export function useSearch(typed: string, shows: SearchShows, most: number): SearchAnswer | null {
  const { engine } = useServices();
  // Whatever changes may be found, or found no more.
  const changes = useChanges();
  const ready = useAppSelector((state) => state.library.overview !== null);
  const [found, setFound] = useState<SearchAnswer | null>(null);
  useEffect(() => {
    if (!ready) return;
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const ask = async (): Promise<void> => {
      const answer = await engine.ask('search', { typed, shows, most });
      if (gone) return;
      setFound(answer);
      if (answer.left > 0) timer = setTimeout(() => void ask(), AGAIN);
    };
    void ask();
    return () => {
      gone = true;
      if (timer) clearTimeout(timer);
    };
  }, [engine, ready, changes, typed, shows, most]);
  return found;
}
