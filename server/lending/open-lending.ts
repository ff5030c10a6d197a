import path from 'node:path';
import { Lending } from './lending';
import type { LentStore } from './lent-store';

/** What joins several processes, and where they keep what is lent. */
export interface LendingPlace {
  /** The address of a PostgreSQL database; null for a folder of this machine. */
  database: string | null;
  /** The address of a Redis server; null for one process alone. */
  redis: string | null;
}

const ALONE: LendingPlace = { database: null, redis: null };

/**
 * Opens what is lent, when it is wanted first: most servers lend nothing. What keeps it is loaded then too.
 *
 * @param data the folder of what the server keeps
 * @returns what lends, null where it cannot be opened now; and what ends it
 */
export function lendingIn(data: string, place: LendingPlace = ALONE): { here: () => Promise<Lending | null>; close: () => Promise<void> } {
  let opening: Promise<Lending | null> | null = null;
  const open = async (): Promise<Lending | null> => {
    try {
      const store = await storeAt(data, place);
      if (place.redis === null) return new Lending(store);
      return (await import('./several-processes')).sharedLending(store, place.redis);
    } catch (error) {
      console.error('[lending] nothing can be lent now:', error instanceof Error ? error.message : String(error));
      opening = null;
      return null;
    }
  };
  return {
    here: () => (opening ??= open()),
    close: async () => (await opening)?.close(),
  };
}

async function storeAt(data: string, { database }: LendingPlace): Promise<LentStore> {
  if (database !== null) return (await import('./postgres-store')).PostgresStore.open(database);
  return (await import('./level-store')).LevelStore.open(path.join(data, 'lent'));
}
