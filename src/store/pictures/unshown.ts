import { foldPath, isSealedPath } from '../../core/note/names/path';
import { picturePlaces, picturesIn } from '../../core/note/names/picture-path';
import type { KindSize } from '../keep/earlier-texts';
import type { NoteStore } from '../notes/note-store';
import { putPictures } from './picture-store';

/** The folded paths of pictures that no note shows; none while a note is closed, of which nobody knows what it shows. */
async function unshown(store: NoteStore): Promise<string[]> {
  const shown = new Set<string>();
  for (const { path, text } of await store.all()) {
    if (text === null && isSealedPath(path)) return [];
    if (text === null || !text.includes('![')) continue;
    for (const line of text.split(/\r?\n/))
      for (const { target } of picturesIn(line)) for (const place of picturePlaces(path, target)) shown.add(foldPath(place));
  }
  return (await store.db.pictures.toCollection().primaryKeys()).filter((key) => !shown.has(key));
}

/** How many pictures there are, how much room they take in bytes, and how many of them no note shows. */
export async function picturesSize(store: NoteStore): Promise<KindSize & { unshown: number }> {
  let count = 0;
  let size = 0;
  await store.db.pictures.each(({ bytes }) => {
    count++;
    size += bytes.length;
  });
  return { count, size, unshown: count === 0 ? 0 : (await unshown(store)).length };
}

/**
 * Lets pictures go that no note shows.
 *
 * @returns how many went
 */
export async function letUnshownGo(store: NoteStore): Promise<number> {
  let gone = 0;
  for (const key of await unshown(store)) {
    const picture = await store.db.pictures.get(key);
    if (picture && (await putPictures(store, [{ path: picture.path, expect: picture.bytes, bytes: null }]))) gone++;
  }
  return gone;
}
