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

/** The first page, with what it loads itself, goes before it; in milliseconds. */
const AFTER = 4000;

/** Loads it once the page shows what it is for and has nothing else to do, so that what is done first need not wait for it. */
export function useIdleYaml(): void {
  const isRead = useAppSelector((state) => state.library.overview !== null);
  useEffect(() => {
    if (!isRead) return;
    const load = (): void => void loadYaml();
    const timer = setTimeout(() => {
      if ('requestIdleCallback' in window) window.requestIdleCallback(load);
      else load();
    }, AFTER);
    return () => clearTimeout(timer);
  }, [isRead]);
}
