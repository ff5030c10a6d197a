import type { DeviceMemory } from './device-memory';

/** How long a page that comes again waits for the one before it to let its name go, in milliseconds. */
const PATIENCE = 400;

/** A tab of the browser, as long as it is open. */
export interface Tab {
  /** Names its steps and drafts; the same after a reload. A duplicated tab has a name of its own. */
  name: string;
  /** The names of all tabs that are open now; null when the browser does not tell. */
  open: () => Promise<ReadonlySet<string> | null>;
}

const lockOf = (name: string): string => `recado tab ${name}`;

/** Gives this tab its name, and holds a lock on it, by which others see that it lives. */
export async function claimTab(memory: DeviceMemory, locks: LockManager | undefined, makeName: () => string): Promise<Tab> {
  const key = 'recado tab';
  const known = memory.get(key);
  let name = known ?? makeName();
  if (locks && !(await holds(locks, name))) {
    name = makeName();
    await holds(locks, name);
  }
  memory.set(key, name);
  return {
    name,
    open: async () => {
      if (!locks) return null;
      const { held = [] } = await locks.query();
      return new Set(held.flatMap((lock) => (lock.name?.startsWith(lockOf('')) ? [lock.name.slice(lockOf('').length)] : [])));
    },
  };
}

/** Takes the lock of a name and keeps it as long as the page lives; false when another page has it. */
function holds(locks: LockManager, name: string): Promise<boolean> {
  return new Promise((resolve) => {
    const patience = new AbortController();
    const timer = setTimeout(() => patience.abort(), PATIENCE);
    locks
      .request(lockOf(name), { signal: patience.signal }, () => {
        clearTimeout(timer);
        resolve(true);
        return new Promise(() => undefined);
      })
      .catch(() => resolve(false));
  });
}
