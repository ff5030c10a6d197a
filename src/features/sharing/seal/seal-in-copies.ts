import type { NoteStore } from '../../../store/notes/note-store';
import { copiesIn } from '../../../store/keep/copies';
import type { CopiesSealed } from '../../../store/seal/seal-notes';
import { copyPlaces } from '../../keep/copies/copy-places';
import { withFiles } from '../../../engine/files/files';

/**
 * Puts notes that were sealed into the copies of everything as they are now, in the place of what can be read there; earlier texts of them
 * in copies go.
 */
export async function sealInCopies(store: NoteStore, moved: readonly { from: string; to: string }[]): Promise<CopiesSealed> {
  const done: CopiesSealed = { sealed: 0, failed: 0 };
  if (moved.length === 0) return done;
  const notes = await store.kept.many(moved.map(({ to }) => to));
  const swaps = moved.flatMap(({ from, to }, index) => {
    const bytes = notes[index]?.bytes;
    return bytes ? [{ from, to, bytes }] : [];
  });
  for (const { place } of await copyPlaces(store)) {
    for (const { name } of await copiesIn(place)) {
      try {
        const given = new File([await place.read(name)], name);
        const next = await withFiles(new AbortController().signal, (files) => files.swapped(given, swaps));
        if (!next) continue;
        await place.write(name, next);
        done.sealed++;
      } catch {
        done.failed++;
      }
    }
  }
  return done;
}
