import { SEALED_ENDING, fileNameOf, foldPath } from '../../core/note/names/path';
import { isSealedPicture, picturesIn } from '../../core/note/names/picture-path';
import type { NoteStore } from '../notes/note-store';
import type { StoredPicture } from '../pictures/stored-picture';
import { pictureAt, putPictures } from '../pictures/picture-store';

/** A picture that a text shows, and how the text names it. */
interface Shown {
  target: string;
  picture: StoredPicture;
}

async function shownIn(store: NoteStore, path: string, text: string): Promise<Shown[]> {
  if (!text.includes('![')) return [];
  const targets = new Set(text.split(/\r?\n/).flatMap((line) => picturesIn(line).map(({ target }) => target)));
  const found = await Promise.all(
    [...targets].map(async (target) => {
      const picture = await pictureAt(store, path, target);
      return picture ? [{ target, picture }] : [];
    }),
  );
  return found.flat();
}

/**
 * Seals the pictures that a note shows and no other one does.
 *
 * @param sealing seals their files
 * @returns the text with their new names
 */
export async function withPicturesSealed(
  store: NoteStore,
  note: { path: string; text: string },
  sealing: (bytes: Uint8Array) => Promise<Uint8Array>,
): Promise<string> {
  const shown = (await shownIn(store, note.path, note.text)).filter(({ target }) => !isSealedPicture(target));
  if (shown.length === 0) return note.text;
  const others = (await store.all()).filter(({ key, text }) => key !== foldPath(note.path) && text !== null);
  let text = note.text;
  for (const { target, picture } of shown) {
    // A page that went in between had sealed it already.
    if (isSealedPicture(picture.path)) {
      text = renamed(text, target, target + SEALED_ENDING);
      continue;
    }
    const name = fileNameOf(picture.path);
    const isShared = others.some((other) => other.text?.includes(name) || other.text?.includes(encodeURIComponent(name)));
    if (isShared) continue;
    const to = picture.path + SEALED_ENDING;
    const saved = await putPictures(store, [
      { path: picture.path, expect: picture.bytes, bytes: null },
      { path: to, expect: null, bytes: await sealing(picture.bytes) },
    ]);
    if (saved) text = renamed(text, target, target + SEALED_ENDING);
  }
  return text;
}

/** Opens the pictures that a note shows, when it is taken out of its seal. */
export async function withPicturesOpened(store: NoteStore, path: string, given: string): Promise<string> {
  let text = given;
  for (const { target, picture } of await shownIn(store, path, given)) {
    if (!isSealedPicture(target)) continue;
    if (!isSealedPicture(picture.path)) {
      text = renamed(text, target, target.slice(0, -SEALED_ENDING.length));
      continue;
    }
    const bytes = await store.opener?.opened(picture.path, picture.bytes);
    if (bytes == null) continue;
    const saved = await putPictures(store, [
      { path: picture.path, expect: picture.bytes, bytes: null },
      { path: picture.path.slice(0, -SEALED_ENDING.length), expect: null, bytes },
    ]);
    if (saved) text = renamed(text, target, target.slice(0, -SEALED_ENDING.length));
  }
  return text;
}

/** A text with another target in the place of one, wherever a picture has it. */
const renamed = (text: string, before: string, after: string): string =>
  text.replace(/[^\r\n]+/g, (line) =>
    picturesIn(line).reduceRight((said, { from, to, target }) => {
      if (target !== before) return said;
      const link = said.slice(from, to);
      const at = link.lastIndexOf(before);
      return said.slice(0, from) + link.slice(0, at) + after + link.slice(at + before.length) + said.slice(to);
    }, line),
  );
