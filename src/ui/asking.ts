import { useLayoutEffect } from 'react';

let asking = 0;

/** Whether a dialog asks something just now: keys then belong to it, and the focus stays in it. */
export const isAsking = (): boolean => asking > 0;

/** Counts a dialog among those that ask, while it is drawn. */
export function useAsking(asks: boolean): void {
  useLayoutEffect(() => {
    if (!asks) return;
    asking += 1;
    return () => {
      asking -= 1;
    };
  }, [asks]);
}
