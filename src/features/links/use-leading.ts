import { useEffect, useState } from 'react';
import type { LeadingAnswer } from '../../core/index/questions/leading';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** Changes that come in a row are asked about once; while notes are still being looked through it is asked again. In milliseconds. */
const REST = 200;
const AGAIN = 500;

/** So many lines of each sort are shown. */
export const MOST_LINES = 100;

/** What leads to a note, as it stands; null until it is known. */
export function useLeading(path: string): LeadingAnswer | null {
  const { engine } = useServices();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const [found, setFound] = useState<LeadingAnswer | null>(null);
  const ready = notes !== undefined;
  const first = found === null;
  useEffect(() => {
    if (!ready) return;
    let gone = false;
    let timer: ReturnType<typeof setTimeout>;
    const ask = async (): Promise<void> => {
      const answer = await engine.ask('leading', { path, most: MOST_LINES });
      if (gone) return;
      setFound(answer);
      if (answer.left > 0) timer = setTimeout(() => void ask(), AGAIN);
    };
    timer = setTimeout(() => void ask(), first ? 0 : REST);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only the first asking is at once
  }, [engine, path, ready, notes]);
  return found;
}
