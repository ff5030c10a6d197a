import { useEffect, useState } from 'react';
import type { Day } from '../../core/calendar/day';
import { useServices } from '../session/state/services';

/** On which pages a task will stand, and on which day it comes to stand in Today; null for one that is there or never comes. */
export interface Stands {
  pages: string[];
  until: Day | null;
}

const TODAY = 'Today';
/** The pages that are named, the first ones first; those that hold everything in another order say nothing. */
const NAMED = [TODAY, 'Ahead', 'Inbox', 'Undated', 'Resting', 'Waiting'];
/** A key stroke may come before the answer is wanted, in milliseconds. */
const REST = 120;

/**
 * Where a task line will stand once it is written into a note.
 *
 * @param days today, and the days on which that may change, in their order
 */
export function useStands(line: string | null, path: string, days: readonly Day[]): Stands | null {
  const { engine } = useServices();
  const [stands, setStands] = useState<Stands | null>(null);
  const asked = days.join();
  useEffect(() => {
    let gone = false;
    const timer = setTimeout(() => {
      if (line === null) return setStands(null);
      void engine.ask('standsIn', { line, path, days: asked.split(',').map(Number) }).then(([now, ...later]) => {
        if (gone || !now) return;
        const comes = now.pages.includes(TODAY) ? undefined : later.find((one) => one.pages.includes(TODAY));
        setStands({ pages: NAMED.filter((page) => now.pages.includes(page)).slice(0, 2), until: comes?.day ?? null });
      });
    }, REST);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [engine, line, path, asked]);
  return stands;
}
