import { failureExplained } from './failure';
import type { NoteStore } from './note-store';
import type { NoteWrite } from './note-write';

/** `step` is what Undo takes back; null when there is none. */
export type ActionResult = { done: true; step: number | null } | { refused: string };

/** How often a plan starts over when another tab wrote in between. */
const TRIES = 5;
const BUSY = 'The note is being written elsewhere; nothing was changed. Try again.';

/**
 * Commits what a plan says. Where a note changed between plan and commit, it is planned anew; what cannot be written is refused with the
 * reason.
 *
 * @param label what Undo says of it; null when Undo leaves it out
 */
export async function commitPlan(
  store: NoteStore,
  label: string | null,
  plan: () => Promise<NoteWrite[] | { refused: string }>,
): Promise<ActionResult> {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    try {
      const writes = await plan();
      if ('refused' in writes) return writes;
      if (writes.length === 0) return { done: true, step: null };
      const result = await store.commit(label, writes);
      if (result.saved) return { done: true, step: result.step };
    } catch (error) {
      if (!(await store.db.reopen(error))) return { refused: `${await failureExplained(error)} Nothing was changed.` };
    }
  }
  return { refused: BUSY };
}
