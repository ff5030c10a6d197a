import { useSyncExternalStore } from 'react';

const query = window.matchMedia('(min-width: 900px)');

/** Whether the window has room for rack and beside next to the page. */
export function useWide(): boolean {
  return useSyncExternalStore(
    (listener) => {
      query.addEventListener('change', listener);
      return () => query.removeEventListener('change', listener);
    },
    () => query.matches,
  );
}
