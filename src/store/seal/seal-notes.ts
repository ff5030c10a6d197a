import { foldPath, folderOf, freePath, isSealedPath, liesIn, withoutEnding } from '../../core/note/names/path';
import { SEALS_FOLDER, type Seal } from '../../core/sharing/seal/seal-note';
import { hiddenPath, sealedPath, unsealedName, withTitleSaid } from '../../core/sharing/seal/sealed-names';
import { renameInGather } from '../../core/gather/saying/rename-in-gather';
import { renameLinks, retargetTo } from '../../core/note/names/rename-links';
import { type StoredNote, contentOf } from '../notes/content';
import type { NoteStore } from '../notes/note-store';
import { type NoteWrite, withText } from '../notes/note-write';
import { SEALED_LABEL } from '../notes/opener';
import type { Origin } from '../notes/origin';
import { opaqueSign } from './opaque-sign';
import { withPicturesOpened, withPicturesSealed } from './seal-pictures';
import type { Seals } from './seals';

/** Sealing is no step: what Undo would bring back is what nobody is to read. */
const SEALING: Origin = { by: 'command', label: null };

/** What was sealed. */
export interface SealedNotes {
  /** Where notes were, and where they are. */
  moved: { from: string; to: string }[];
  /** How many texts that they had before were sealed with them. */
  earlier: number;
  /** How many steps can no longer be taken back. */
  steps: number;
}

/** How many copies of everything had notes in them that were sealed since, and how many could not be changed. */
export interface CopiesSealed {
  sealed: number;
  failed: number;
}

/**
 * Seals notes, each with all that the store keeps of it: earlier texts are sealed, steps go. What a place of files knows of them goes too;
 * the files go at its next look.
 *
 * @param identity the key of the seal, which must be open
 * @throws what the browser says when it cannot write; notes that were sealed until then stay so
 */
export async function sealNotes(
  { store, seals }: { store: NoteStore; seals: Seals },
  seal: Seal,
  identity: string,
  paths: readonly string[],
  progress: (done: number) => void = () => undefined,
): Promise<SealedNotes> {
  const done: SealedNotes = { moved: [], earlier: 0, steps: 0 };
  for (const path of paths) {
    // One that another wrote into meanwhile is sealed as it is then.
    for (;;) {
      const sealed = await sealNote(store, seals, seal, identity, path);
      if (sealed === 'changed') continue;
      if (sealed !== null) {
        done.moved.push(sealed.moved);
        done.earlier += sealed.earlier;
        done.steps += sealed.steps;
      }
      break;
    }
    progress(done.moved.length);
  }
  store.steps.forgetUndone();
  return done;
}

interface SealedNote {
  moved: { from: string; to: string };
  earlier: number;
  steps: number;
}

async function sealNote(
  store: NoteStore,
  seals: Seals,
  seal: Seal,
  identity: string,
  path: string,
): Promise<SealedNote | 'changed' | null> {
  const { db } = store;
  const note = await store.kept.get(path);
  // A seal that is sealed opens nothing, itself least.
  if (note?.text == null || isSealedPath(note.path) || liesIn(note.path, SEALS_FOLDER)) return null;
  const wanted = seal.titles === 'hidden' ? hiddenPath(note.path, opaqueSign(identity, note.path)) : sealedPath(note.path);
  const taken = await store.paths();
  const to = freePath(wanted, (folded) => taken.has(folded));
  const sealingBytes = (given: Uint8Array): Promise<Uint8Array> => seals.using((sealer) => sealer.sealFor(given, [seal.to]));
  const sealing = (words: string): Promise<Uint8Array> => sealingBytes(new TextEncoder().encode(words));
  const shown = await withPicturesSealed(store, { path: note.path, text: note.text }, sealingBytes);
  const text = seal.titles === 'hidden' ? withTitleSaid(note.path, shown) : shown;
  const bytes = await sealing(text);
  const ids = (await db.earlier.where('note').equals(note.id).toArray()).map(({ id }) => id);
  const before = new Map<number, Uint8Array>();
  for (const id of ids) {
    const content = await store.earlier.content(id);
    if (content && 'text' in content) before.set(id, await sealing(content.text));
  }
  const now = await sealing(note.text);
  const result: SealedNote = { moved: { from: note.path, to }, earlier: 0, steps: 0 };
  const writes: NoteWrite[] = [
    { path: note.path, expect: contentOf(note), content: null },
    { path: to, expect: null, content: { bytes }, movedFrom: note.path, demo: null },
    ...(seal.titles === 'hidden' ? await linksByPath(store, note, to) : []),
  ];
  const saved = await store.commitKept(SEALING, writes, async () => {
    const texts = await db.earlier.where('note').equals(note.id).toArray();
    await db.earlier.bulkPut(
      texts.map((one) => ({
        ...one,
        path: to,
        key: foldPath(to),
        label: one.label && SEALED_LABEL,
        size: before.get(one.id)?.length ?? one.size,
      })),
    );
    // What came since they were looked at is the text that is sealed now; what was sealed already stays what it is.
    const known = new Set(ids);
    const sealedNow = (id: number): Uint8Array | null => before.get(id) ?? (known.has(id) ? null : now);
    await db.earlierContents.bulkPut(
      texts.flatMap(({ id }) => {
        const sealed = sealedNow(id);
        return sealed ? [{ id, content: { bytes: sealed } }] : [];
      }),
    );
    result.earlier = texts.length;
    const told = await db.steps
      .filter(({ changes }) => changes.some((one) => one.id === note.id || foldPath(one.path) === note.key))
      .primaryKeys();
    await db.steps.bulkDelete(told);
    result.steps = told.length;
  });
  if (!saved.saved) return 'changed';
  for (const contents of [db.inStepContents, db.deskStepContents]) await contents.delete(note.key);
  return result;
}

/** Links that name a note by its path, which tells no more where it is, mean it by its title. */
async function linksByPath(store: NoteStore, note: StoredNote, to: string): Promise<NoteWrite[]> {
  const bare = withoutEnding(note.path);
  if (!bare.includes('/')) return [];
  const folded = foldPath(bare);
  const title = bare.slice(bare.lastIndexOf('/') + 1);
  const retarget = retargetTo({ path: note.path, titles: [] }, { path: to, title });
  return (await store.kept.all()).flatMap((other) => {
    if (other.text === null || other.key === note.key || !foldPath(other.text).includes(folded)) return [];
    const renamed = renameLinks(other.text, retarget, (line) => renameInGather(line, { is: 'note', retarget }));
    return renamed.places > 0 ? [withText(other, renamed.text)] : [];
  });
}

/**
 * Takes notes out of their seal, which must be open: they lie readable again, everywhere they are kept.
 *
 * @returns where they were, and where they are
 */
export async function unsealNotes(store: NoteStore, paths: readonly string[]): Promise<{ from: string; to: string }[]> {
  const moved: { from: string; to: string }[] = [];
  for (const path of paths) {
    for (;;) {
      const [note, lying] = await Promise.all([store.get(path), store.kept.get(path)]);
      if (note?.text == null || lying?.bytes == null) break;
      const taken = await store.paths();
      const folder = folderOf(note.path);
      const to = freePath(`${folder === '' ? '' : `${folder}/`}${unsealedName(note.path, note.text)}`, (key) => taken.has(key));
      const opened = await withPicturesOpened(store, note.path, note.text);
      const saved = await store.commitKept(SEALING, [
        { path: lying.path, expect: contentOf(lying), content: null },
        { path: to, expect: null, content: { text: opened }, movedFrom: lying.path },
      ]);
      if (!saved.saved) continue;
      moved.push({ from: path, to });
      break;
    }
  }
  return moved;
}
