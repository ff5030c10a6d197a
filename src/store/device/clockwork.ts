import { reportProblem } from '../notes/listeners';

/** The name of the lock that one tab holds. */
const LOCK = 'recado clockwork';

/**
 * Does what one tab does for all: it begins where no other tab of this browser does it, and elsewhere as soon as that tab is closed.
 * Where the browser has no locks, each tab does it.
 *
 * @param work is given a signal that ends it; what it throws is reported
 * @returns what lets another tab take over
 * @example keepClockwork(navigator.locks, (ends) => remindUntil(ends))
 */
export function keepClockwork(
  locks: Pick<LockManager, 'request'> | undefined,
  work: (ends: AbortSignal) => Promise<void> | void,
  problem: (error: unknown) => void = reportProblem,
): () => void {
  const end = new AbortController();
  const begin = async (): Promise<void> => {
    try {
      await work(end.signal);
    } catch (error) {
      problem(error);
    }
  };
  if (!locks) void begin();
  else
    locks
      .request(LOCK, { signal: end.signal }, async () => {
        void begin();
        await new Promise<void>((resolve) => end.signal.addEventListener('abort', () => resolve()));
      })
      .catch((error: unknown) => {
        // Ended before its turn came.
        if (!end.signal.aborted) problem(error);
      });
  return () => end.abort();
}
