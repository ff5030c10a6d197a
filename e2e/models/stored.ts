import type { Page } from '@playwright/test';

interface StoredNotes {
  /** Path → text, of all notes. */
  notes: Record<string, string>;
  /** What notes held that a step took away. */
  takenAway: string[];
}

/** Everything that the database holds, and what steps remember of notes that are gone. */
export function everythingStored(page: Page): Promise<StoredNotes> {
  return page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open('recado');
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(new Error('the database does not open'));
    });
    const all = (table: string): Promise<unknown[]> =>
      new Promise((resolve) => {
        const request = db.transaction(table).objectStore(table).getAll();
        request.onsuccess = () => resolve(request.result as unknown[]);
      });
    const notes = (await all('notes')) as { path: string; text: string | null }[];
    const steps = (await all('steps')) as { changes: { before: { text?: string } | null; after: unknown }[] }[];
    db.close();
    return {
      notes: Object.fromEntries(notes.map(({ path, text }) => [path, text ?? ''])),
      takenAway: steps.flatMap(({ changes }) =>
        changes.flatMap(({ before, after }) => (after === null && before?.text ? [before.text] : [])),
      ),
    };
  });
}

/** A stream of numbers from 0 up to 1 that is the same for the same seed. */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    // Mulberry32.
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}
