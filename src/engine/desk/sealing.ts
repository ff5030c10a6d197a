import * as Comlink from 'comlink';
import type { Sealer } from '../../store/desk/sealer';

/** Seals and opens in a worker of its own, so that nothing of it holds the page. Whoever begins it ends it. */
export function beginSealing(): { sealer: Sealer; end: () => void } {
  const worker = new Worker(new URL('./sealing-worker.ts', import.meta.url), { type: 'module', name: 'recado-sealing' });
  const far = Comlink.wrap<Sealer>(worker);
  // A worker that could not be loaded answers nothing: that is an answer.
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = (event) => reject(new Error(event.message || 'The part of Recado that seals could not be loaded.'));
  });
  failed.catch(() => undefined);
  const or = <T>(answer: Promise<T>): Promise<T> => Promise.race([answer, failed]);
  return {
    sealer: {
      seal: (bytes, identity) => or(far.seal(bytes, identity)),
      open: (sealed, identities) => or(far.open(sealed, identities)),
      sealFor: (bytes, recipients) => or(far.sealFor(bytes, recipients)),
      sealByWords: (bytes, words) => or(far.sealByWords(bytes, words)),
      openByWords: (sealed, words) => or(far.openByWords(sealed, words)),
      newIdentity: () => or(far.newIdentity()),
    },
    end: () => worker.terminate(),
  };
}
