import type { StoredNote } from '../notes/content';
import { type NoteWrite, withText } from '../notes/note-write';
import type { ManyOutcome } from '../../core/task/acts/act-on-lines';

/** What stores the texts that acting on lines came to; those that stayed the same are left out. */
export function writesOf(notes: readonly StoredNote[], { texts }: Pick<ManyOutcome, 'texts'>): NoteWrite[] {
  const byKey = new Map(notes.map((note) => [note.key, note]));
  return [...texts].flatMap(([key, { path, text }]): NoteWrite[] => {
    const present = byKey.get(key);
    if (present?.text === text) return [];
    return [present ? withText(present, text) : { path, expect: null, content: { text } }];
  });
}
