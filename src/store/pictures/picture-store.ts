import { SEALED_ENDING, foldPath, freePath, isSealedPath } from '../../core/note/names/path';
import {
  PICTURES_FOLDER,
  type PictureType,
  endingOf,
  isSealedPicture,
  picturePlaces,
  typeOfBytes,
} from '../../core/note/names/picture-path';
import type { StoredPicture } from './stored-picture';
import { sameBytes } from '../notes/content';
import type { NoteStore } from '../notes/note-store';

/** Larger files are no pictures that one keeps in notes: 40 MB. */
export const LARGEST_PICTURE = 40 * 1024 * 1024;

/** What a note shows at a place. */
export type ShownPicture =
  | { is: 'there'; path: string; bytes: Uint8Array; type: PictureType }
  /** It is sealed, and its seal is closed. */
  | { is: 'closed' }
  /** Its file is there and holds no picture that is shown. */
  | { is: 'broken'; path: string }
  | { is: 'gone' }
  /** It lies elsewhere: nothing is fetched from there. */
  | { is: 'elsewhere' };

/** The picture that a note shows by a target, wherever it is found. */
export async function shownPicture(store: NoteStore, notePath: string, target: string): Promise<ShownPicture> {
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(target)) return { is: 'elsewhere' };
  const found = await pictureAt(store, notePath, target);
  if (!found) return { is: 'gone' };
  const bytes = isSealedPicture(found.path) ? await store.opener?.opened(found.path, found.bytes) : found.bytes;
  if (bytes == null) return { is: 'closed' };
  const type = typeOfBytes(bytes);
  return type === null ? { is: 'broken', path: found.path } : { is: 'there', path: found.path, bytes, type };
}

/** The file that a note means by a target; where it is not there so, the same one sealed, or sealed no more: a page may have gone in between. */
export async function pictureAt(store: NoteStore, notePath: string, target: string): Promise<StoredPicture | null> {
  const places = picturePlaces(notePath, target);
  const others = places.map((place) => (isSealedPicture(place) ? place.slice(0, -SEALED_ENDING.length) : place + SEALED_ENDING));
  const found = await store.db.pictures.bulkGet([...places, ...others].map(foldPath));
  return found.find((one) => one !== undefined) ?? null;
}

/**
 * Keeps a picture for a note, beside all others; sealed where the note is.
 *
 * @param name what it is called, without ending
 * @returns its path; that of an equal one that is there already
 */
export async function addPicture(store: NoteStore, notePath: string, name: string, type: PictureType, bytes: Uint8Array): Promise<string> {
  const isSealed = isSealedPath(notePath);
  const ending = `.${endingOf(type)}${isSealed ? '.age' : ''}`;
  const wanted = `${PICTURES_FOLDER}/${name}${ending}`;
  if (isSealed && !store.opener) throw new Error('A picture of a sealed note cannot be sealed now.');
  const kept = isSealed && store.opener ? await store.opener.sealed(notePath, bytes) : bytes;
  for (;;) {
    const taken = new Set(await store.db.pictures.toCollection().primaryKeys());
    const present = await store.db.pictures.get(foldPath(wanted));
    if (present && sameBytes(present.bytes, kept)) return present.path;
    const path = freePath(wanted, (key) => taken.has(key));
    const saved = await putPictures(store, [{ path, expect: null, bytes: kept }]);
    if (saved) return path;
  }
}

/** One picture to write: what must be there now, and what is to be; null for none. */
export interface PictureWrite {
  path: string;
  expect: Uint8Array | null;
  bytes: Uint8Array | null;
}

/** Writes pictures whole or not at all; false where another was there by then. */
export async function putPictures(store: NoteStore, writes: readonly PictureWrite[]): Promise<boolean> {
  const { pictures } = store.db;
  const done = await store.db.transaction('rw', pictures, async () => {
    const present = await pictures.bulkGet(writes.map(({ path }) => foldPath(path)));
    const same = writes.every(({ expect }, index) => {
      const bytes = present[index]?.bytes ?? null;
      return expect === null || bytes === null ? expect === bytes : sameBytes(expect, bytes);
    });
    if (!same) return false;
    await pictures.bulkDelete(writes.filter(({ bytes }) => bytes === null).map(({ path }) => foldPath(path)));
    await pictures.bulkPut(
      writes.flatMap(({ path, bytes }) => (bytes === null ? [] : [{ key: foldPath(path), path, bytes, changed: Date.now() }])),
    );
    return true;
  });
  if (done)
    await store.tellFiles(
      writes.map(({ path }) => path),
      'command',
    );
  return done;
}
