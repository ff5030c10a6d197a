import { useSyncExternalStore } from 'react';

/**
 * How this browser keeps the program.
 *
 * - `not`: it does not, or not yet
 * - `kept`: it opens without a network
 * - `newer`: it does, and a newer one waits to take over
 */
export type OfflineState = { is: 'not' } | { is: 'kept' } | { is: 'newer'; takeOver: () => void };

let state: OfflineState = { is: 'not' };
const listeners = new Set<() => void>();

export function setOffline(next: OfflineState): void {
  // What waits goes on waiting.
  if (state.is === 'newer' && next.is === 'kept') return;
  state = next;
  for (const listener of listeners) listener();
}

const listen = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

export const useOffline = (): OfflineState => useSyncExternalStore(listen, () => state);
