import { foldPath } from '../../core/note/names/path';
import { isPictureFile } from '../../core/note/names/picture-path';
import type { StoredNote } from '../notes/content';
import type { NoteSource, Portion } from '../notes/note-source';
import type { NoteStore } from '../notes/note-store';
import type { NoteWrite } from '../notes/note-write';
import type { StoredPicture } from './stored-picture';
import { type PictureWrite, putPictures } from './picture-store';

/** A picture as a note of bytes, for what takes both elsewhere. */
const asNote = ({ key, path, bytes, changed }: StoredPicture): StoredNote => ({
  ...{ key, path, bytes, changed },
  id: key,
  text: null,
  demo: null,
});

/** Notes and pictures together as they lie in the store, as files: for folders and desks that keep both in step. */
export function keptFiles(store: NoteStore): NoteSource {
  const { kept } = store;
  const { pictures } = store.db;
  const get = async (path: string): Promise<StoredNote | null> => {
    if (!isPictureFile(path)) return kept.get(path);
    const found = await pictures.get(foldPath(path));
    return found ? asNote(found) : null;
  };
  return {
    ...kept,
    get,
    many: async (paths) => {
      const notes = await kept.many(paths);
      return Promise.all(
        paths.map(async (path, index) => notes[index] ?? (isPictureFile(path) ? ((await get(path)) ?? undefined) : undefined)),
      );
    },
    all: async () => [...(await kept.all()), ...(await pictures.toArray()).map(asNote)],
    paths: async () => new Set([...(await kept.paths()), ...(await pictures.toCollection().primaryKeys())]),
    portions: (size) => portions(store, size),
    commit: async (origin, writes) => {
      const notes = writes.filter(({ path }) => !isPictureFile(path));
      const files = writes.filter(({ path }) => isPictureFile(path)).map(pictureWrite);
      const done = notes.length > 0 ? await kept.commit(origin, notes) : { saved: true as const, seen: [], step: null };
      if (!done.saved || files.length === 0) return done;
      return (await putPictures(store, files)) ? done : { saved: false, conflict: files[0]?.path ?? '' };
    },
  };
}

const pictureWrite = ({ path, expect, content }: NoteWrite): PictureWrite => ({
  path,
  expect: bytesOf(expect),
  bytes: bytesOf(content),
});

const bytesOf = (content: NoteWrite['content']): Uint8Array | null =>
  content === null ? null : 'bytes' in content ? content.bytes : new TextEncoder().encode(content.text);

/** Pictures come one by one: some are as large as all notes. */
async function* portions(store: NoteStore, size: number): AsyncGenerator<Portion> {
  yield* store.kept.portions(size);
  const keys = await store.db.pictures.toCollection().primaryKeys();
  for (const key of keys) {
    const found = await store.db.pictures.get(key);
    if (found) yield { notes: [asNote(found)], all: keys.length };
  }
}
