import 'fake-indexeddb/auto';
import { ACTION_DEFAULTS } from '../core/task/action-context';
import { type Content, RecadoDatabase } from './database';
import { NoteActions } from './note-actions';
import { NoteStore } from './note-store';

let count = 0;
const open: NoteStore[] = [];

/** A store of its own with some notes, and what acts on it; closed when the tests of the file are done. */
export function desk(notes: Record<string, string> = {}) {
  const db = new RecadoDatabase(`test-${count++}`);
  const store = new NoteStore(db, 'this tab', () => 0);
  open.push(store);
  const actions = new NoteActions(store, () => ({ now: { day: 20780, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' }));
  const ready = store.commit(
    null,
    Object.entries(notes).map(([path, text]) => ({ path, expect: null, content: { text } })),
  );
  return { db, store, actions, ready };
}

afterAll(() => open.forEach((store) => store.close()));

export const text = (words: string): Content => ({ text: words });

/** The texts of all notes, by path. */
export async function texts(store: NoteStore): Promise<Record<string, string | null>> {
  return Object.fromEntries((await store.all()).map((note) => [note.path, note.text]));
}
