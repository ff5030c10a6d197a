import { foldPath, freePath } from '../../core/note/names/path';
import { isSealedPicture, typeOfBytes } from '../../core/note/names/picture-path';
import { sameBytes } from '../notes/content';
import type { NoteStore } from '../notes/note-store';
import { putPictures } from './picture-store';

/** What became of a picture that came in: it is at a path, was there already, or is none. */
export type BroughtIn = { is: 'there'; path: string } | { is: 'same' } | { is: 'none' };

/** Puts a picture at its path; beside it where another lies there. What is sealed cannot be looked into. */
export async function bringIn(store: NoteStore, path: string, bytes: Uint8Array): Promise<BroughtIn> {
  if (!isSealedPicture(path) && typeOfBytes(bytes) === null) return { is: 'none' };
  for (;;) {
    const present = await store.db.pictures.get(foldPath(path));
    if (present && sameBytes(present.bytes, bytes)) return { is: 'same' };
    const taken = new Set(await store.db.pictures.toCollection().primaryKeys());
    const free = freePath(path, (key) => taken.has(key));
    if (await putPictures(store, [{ path: free, expect: null, bytes }])) return { is: 'there', path: free };
  }
}
