import { useEffect, useState } from 'react';
import { loadYaml, missesYaml } from '../../../core/note/facts/front-matter';
import { useAppSelector } from './state';

/** Has a view drawn once more when front matter that it read needs more than was loaded. */
export function useYaml(): void {
  const [, drawAgain] = useState(0);
  useEffect(() => {
    if (missesYaml()) void loadYaml().then(() => drawAgain((count) => count + 1));
  });
}

/** Loads it once the page shows what it is for and has nothing else to do, so that what is done first need not wait for it. */
export function useIdleYaml(): void {
  const isRead = useAppSelector((state) => state.library.overview !== null);
  useEffect(() => {
    if (!isRead) return;
    const load = (): void => void loadYaml();
    if (!('requestIdleCallback' in window)) return void setTimeout(load, 2000);
    const handle = window.requestIdleCallback(load, { timeout: 10_000 });
    return () => window.cancelIdleCallback(handle);
  }, [isRead]);
}
