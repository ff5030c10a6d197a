import { useEffect, useState } from 'react';
import type { LeadingAnswer } from '../../core/index/questions/leading';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/state/use-changes';

/** While notes are still being looked through it is asked again after so many milliseconds. */
const AGAIN = 500;

/**
 * What leads to a note, as it stands; null until it is known.
 *
 * @param most how many lines of each sort are told
 */
export function useLeading(path: string, most: number): LeadingAnswer | null {
  const { engine } = useServices();
  const changes = useChanges();
  const ready = useAppSelector((state) => state.library.overview !== null);
  const [found, setFound] = useState<LeadingAnswer | null>(null);
  useEffect(() => {
    if (!ready) return;
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const ask = async (): Promise<void> => {
      const answer = await engine.ask('leading', { path, most });
      if (gone) return;
      setFound(answer);
      if (answer.left > 0) timer = setTimeout(() => void ask(), AGAIN);
    };
    void ask();
    return () => {
      gone = true;
      if (timer) clearTimeout(timer);
    };
  }, [engine, path, most, ready, changes]);
  return found;
}
