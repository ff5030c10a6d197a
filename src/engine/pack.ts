import * as Comlink from 'comlink';
import type { Packer } from './pack-worker';

/**
 * Packs all stored notes, in a worker, so that nothing holds the page.
 *
 * @param others files beside the notes, by their path
 * @param signal stops it
 * @returns null when it was stopped
 */
export async function packAll(
  others: Record<string, string>,
  progress: (packed: number, all: number) => void,
  signal: AbortSignal,
): Promise<Blob | null> {
  const worker = new Worker(new URL('./pack-worker.ts', import.meta.url), { type: 'module', name: 'recado-pack' });
  try {
    return await new Promise<Blob | null>((resolve, reject) => {
      signal.addEventListener('abort', () => resolve(null));
      worker.onerror = (event) => reject(new Error(event.message || 'The part of Recado that packs could not be loaded.'));
      Comlink.wrap<Packer>(worker).pack(others, Comlink.proxy(progress)).then(resolve, reject);
    });
  } finally {
    worker.terminate();
  }
}
