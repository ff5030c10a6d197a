import type { StoredNote } from './content';
import type { NoteReader, Portion } from './note-source';
import { DATABASE_NAME, NOTES, OUTSIDE_NAME } from './schema';

/** What the workers read notes through: the database, without the library that writes it. */
export const STORED_NOTES: NoteReader = { portions: (size) => storedNotes(size) };

/** The notes in which outside lists stand. */
export const OUTSIDE_NOTES: NoteReader = { portions: (size) => storedNotes(size, OUTSIDE_NAME) };

/**
 * Reads all stored notes, in the order of their keys, without the library that the page writes them with: the worker needs nothing
 * else of the database, and is there sooner. The next portion is fetched while one is looked at. A database that does not exist yet
 * holds no notes, and is not made.
 *
 * @param size how many notes a portion has at most
 */
export async function* storedNotes(size: number, name = DATABASE_NAME): AsyncGenerator<Portion> {
  const db = await openToRead(name);
  if (!db) return;
  try {
    const all = await settled(db.transaction(NOTES).objectStore(NOTES).count());
    let next = fetchAfter(db, null, size);
    for (;;) {
      const notes = await next;
      const last = notes[notes.length - 1];
      if (!last) return;
      next = fetchAfter(db, last.key, size);
      // Whoever stops early must not leave a failure that nobody hears of.
      next.catch(() => undefined);
      yield { notes, all };
    }
  } finally {
    db.close();
  }
}

function fetchAfter(db: IDBDatabase, key: string | null, size: number): Promise<StoredNote[]> {
  const range = key === null ? null : IDBKeyRange.lowerBound(key, true);
  return settled(db.transaction(NOTES).objectStore(NOTES).getAll(range, size) as IDBRequest<StoredNote[]>);
}

/** Opens a database to be read, without making it; null where there is none yet. */
export function openToRead(name: string): Promise<IDBDatabase | null> {
  return new Promise((resolve, reject) => {
    const request = indexedDB.open(name);
    // Only the page makes the database.
    request.onupgradeneeded = () => request.transaction?.abort();
    request.onsuccess = () => {
      const db = request.result;
      db.onversionchange = () => db.close();
      resolve(db);
    };
    request.onerror = () => {
      if (request.error?.name === 'AbortError') resolve(null);
      else reject(request.error ?? new Error('The database cannot be opened.'));
    };
  });
}

/** What the browser answers, once it does. */
export function settled<T>(request: IDBRequest<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error ?? new Error('The database cannot be read.'));
  });
}
