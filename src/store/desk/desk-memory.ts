import { foldPath } from '../../core/note/names/path';
import type { InSteps } from '../folder/in-step';
import type { RecadoDatabase } from '../notes/database';
import type { DeskMemory } from './desk-folder';

/**
 * What is known of a desk, in the database.
 *
 * @param other what a file that is no note was when both sides were the same last
 * @param touched is called with the path of a note that is to be compared anew
 */
export function deskMemory(
  db: RecadoDatabase,
  steps: InSteps,
  other: (path: string) => Promise<string | null>,
  touched: (path: string) => void,
): DeskMemory {
  return {
    load: () => db.deskFiles.toArray(),
    keep: async (files, gone) => {
      await db.transaction('rw', db.deskFiles, async () => {
        await db.deskFiles.bulkDelete([...gone]);
        await db.deskFiles.bulkPut([...files]);
      });
    },
    base: async (path) => {
      const words = await other(path);
      return words === null ? steps.content(foldPath(path)) : { text: words };
    },
    forgetBase: async (path) => {
      await steps.put([{ key: foldPath(path), now: null }]);
      touched(path);
    },
  };
}

/** Nothing is known of any desk any more. */
export async function forgetDesk(db: RecadoDatabase, steps: InSteps): Promise<void> {
  await db.deskFiles.clear();
  await steps.forget();
}
