import { failureExplained } from './failure';
import type { NoteSource } from './note-source';
import type { NoteWrite } from './note-write';
import type { Origin } from './origin';

/** `step` is what Undo takes back; null when there is none. */
export type ActionResult = { done: true; step: number | null } | { refused: string };

/** How often a plan starts over when another tab wrote in between. */
const TRIES = 30;
const BUSY = 'The note is being written elsewhere; nothing was changed. Try again.';

/**
 * Commits what a plan says. Where a note changed between plan and commit, it is planned anew; what cannot be written is refused with the
 * reason.
 */
export async function commitPlan(
  store: NoteSource,
  origin: Origin,
  plan: () => Promise<NoteWrite[] | { refused: string }>,
): Promise<ActionResult> {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    try {
      const writes = await plan();
      if ('refused' in writes) return writes;
      if (writes.length === 0) return { done: true, step: null };
      const result = await store.commit(origin, writes);
      if (result.saved) return { done: true, step: result.step };
    } catch (error) {
      if (!(await store.reopen(error))) return { refused: `${await failureExplained(error)} Nothing was changed.` };
    }
  }
  return { refused: BUSY };
}
