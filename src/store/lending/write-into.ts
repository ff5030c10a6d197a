import type * as Y from 'yjs';
import { changesInto } from '../../core/task/writing/changes-into';

/**
 * Brings a text that several write to what one of them has, by the smallest changes: what others write in other lines and words stays theirs.
 */
export function writeInto(text: Y.Text, wanted: string, origin: unknown): void {
  const changes = changesInto(text.toString(), wanted);
  if (changes.length === 0) return;
  text.doc?.transact(() => {
    for (const { from, to, insert } of changes.toReversed()) {
      // What comes stands before what goes: behind it somebody else may write at the same time.
      if (insert !== '') text.insert(from, insert);
      if (to > from) text.delete(from + insert.length, to - from);
    }
  }, origin);
}
