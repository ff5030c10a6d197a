/**
 * What a page says to the service worker.
 *
 * - `take over`: the newer program, which waits, is to serve all pages from now on
 * - `take me`: the page that runs `script` is to be served by it, where it is of the same build
 */
export type WorkerMessage = { is: 'take over' } | { is: 'take me'; script: string };

/** Null for what is no such message. */
export function readMessage(data: unknown): WorkerMessage | null {
  if (typeof data !== 'object' || data === null || !('is' in data)) return null;
  if (data.is === 'take over') return { is: 'take over' };
  return data.is === 'take me' && 'script' in data && typeof data.script === 'string' ? { is: 'take me', script: data.script } : null;
}
