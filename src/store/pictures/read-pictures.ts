import { foldPath } from '../../core/note/names/path';
import { openToRead, settled } from '../notes/read-notes';
import { DATABASE_NAME, PICTURES } from '../notes/schema';
import type { StoredPicture } from './stored-picture';

/** Reads pictures without the library that writes them, one at a time: for workers. */
export interface PictureReader {
  get(path: string): Promise<StoredPicture | null>;
  all(): AsyncIterable<StoredPicture>;
}

export const STORED_PICTURES: PictureReader = {
  get: (path) => withTable(async (table) => ((await settled(table().get(foldPath(path)))) as StoredPicture | undefined) ?? null, null),
  all: async function* () {
    const keys = await withTable(async (table) => (await settled(table().getAllKeys())) as string[], []);
    for (const key of keys) {
      const picture = await STORED_PICTURES.get(key);
      if (picture) yield picture;
    }
  },
};

/** Does something with the table of pictures; where there is none yet, that is an answer. */
async function withTable<T>(act: (table: () => IDBObjectStore) => Promise<T>, none: T): Promise<T> {
  const db = await openToRead(DATABASE_NAME);
  if (!db) return none;
  try {
    return db.objectStoreNames.contains(PICTURES) ? await act(() => db.transaction(PICTURES).objectStore(PICTURES)) : none;
  } finally {
    db.close();
  }
}
