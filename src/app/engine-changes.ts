import type { NoteChange } from '../core/index/library';
import type { StoreChange } from '../store/notes/note-source';

/** What changed in a store, as the engine reads it; a note that is no text is an empty one. */
export const engineChanges = (changes: readonly StoreChange[]): NoteChange[] =>
  changes.map(({ path, content, seen }) => ({ path, text: content === null ? null : 'text' in content ? content.text : '', seen }));
