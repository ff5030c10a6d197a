import { foldPath } from '../../core/note/names/path';
import { keepFoldsOf } from '../editor/reading/kept-folds';
import { LEFT_ALONE } from '../journal/left-alone';
import { RINGING, readRings } from '../reminders/ringing';
import type { Services } from '../session/state/services';

/** Lets go of what was remembered beside notes that are sealed now: drafts, folds, what rings, what was left alone, digests. */
export async function forgetMoved({ store, texts, clock }: Services, moves: readonly { from: string }[]): Promise<void> {
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
