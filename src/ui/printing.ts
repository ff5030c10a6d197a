import { useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';

let printing = false;
const listeners = new Set<() => void>();

function told({ type }: Event): void {
  printing = type === 'beforeprint';
  // The browser lays the page out as soon as it told of it.
  flushSync(() => listeners.forEach((changed) => changed()));
}

function listen(changed: () => void): () => void {
  if (listeners.size === 0) {
    window.addEventListener('beforeprint', told);
    window.addEventListener('afterprint', told);
  }
  listeners.add(changed);
  return () => {
    listeners.delete(changed);
    if (listeners.size > 0) return;
    window.removeEventListener('beforeprint', told);
    window.removeEventListener('afterprint', told);
  };
}

/** Whether the page is being printed: what is drawn in part only, as a long list or folded steps, is drawn whole then. */
export const useIsPrinting = (): boolean => useSyncExternalStore(listen, () => printing);
