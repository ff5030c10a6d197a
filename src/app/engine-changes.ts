import type { NoteChange } from '../core/index/library';
import { readableText } from '../core/sharing/seal/sealed-names';
import type { StoreChange } from '../store/notes/note-source';

/** What changed in a store, as the engine reads it. */
export const engineChanges = (changes: readonly StoreChange[]): NoteChange[] =>
  changes.map(({ path, content, seen }) => ({
    path,
    text: content === null ? null : readableText(path, 'text' in content ? content.text : null),
    seen,
  }));
