import { foldPath } from '../../../core/note/names/path';
import { keepFoldsOf } from '../../editor/folding/kept-folds';
import { LEFT_ALONE } from '../../pages/journal/left-alone';
import { sealInCopies } from './seal-in-copies';
import { RINGING, readRings } from '../../day/reminders/ringing';
import type { CopiesSealed } from '../../../store/seal/seal-notes';
import type { Services } from '../../session/state/services';

type Moves = readonly { from: string; to: string }[];

/** Once notes are sealed: what was remembered beside them goes, and the copies of everything hold them sealed. */
export async function afterSealing(services: Services, moves: Moves): Promise<CopiesSealed> {
  await forget(services, moves);
  return sealInCopies(services.store, moves);
}

/** Lets go of what was remembered beside notes that are sealed now: drafts, folds, what rings, what was left alone, digests. */
async function forget({ store, texts, clock }: Services, moves: Moves): Promise<void> {
  const gone = new Set(moves.map(({ from }) => foldPath(from)));
  for (const { from } of moves) {
    texts.host.drafts.forgetNote(from);
    keepFoldsOf(from, []);
    await store.db.values.delete(`digest ${foldPath(from)}`);
  }
  const now = clock.now();
  if ((await store.value(RINGING)) !== undefined)
    await store.changeValue(RINGING, (value) => {
      const memory = readRings(value, now);
      return { ...memory, rings: memory.rings.filter(({ path }) => !gone.has(foldPath(path))) };
    });
  if ((await store.value(LEFT_ALONE)) !== undefined)
    await store.changeValue(LEFT_ALONE, (value) =>
      Array.isArray(value)
        ? value.filter((sign) => typeof sign === 'string' && !gone.has(foldPath(sign.slice(0, sign.indexOf('\n')))))
        : value,
    );
}
