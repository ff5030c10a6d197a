import { useSyncExternalStore } from 'react';

/** What a browser gives that can install the program, once it thinks fit. */
interface InstallEvent extends Event {
  prompt: () => Promise<void>;
}

let offer: InstallEvent | null = null;
const listeners = new Set<() => void>();

function setOffer(next: InstallEvent | null): void {
  offer = next;
  for (const listener of listeners) listener();
}

/** Takes what the browser offers, to be asked for where a person looks for it. */
export function catchInstall(): void {
  window.addEventListener('beforeinstallprompt', (event) => {
    event.preventDefault();
    setOffer(event as InstallEvent);
  });
  window.addEventListener('appinstalled', () => setOffer(null));
}

const listen = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** Installs the program as one of the device; null where the browser does not offer it. */
export function useInstall(): (() => void) | null {
  const present = useSyncExternalStore(listen, () => offer);
  // It can be asked once; the browser offers it again where it was declined.
  return present && (() => void present.prompt().finally(() => setOffer(null)));
}
