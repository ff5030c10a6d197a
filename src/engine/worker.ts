import * as Comlink from 'comlink';
import { RecadoDatabase } from '../store/database';
import { EngineHost } from './host';

const PORTION = 400;

/** Opens the database for reading only; the page is its one writer. */
const db = new RecadoDatabase();

Comlink.expose(
  new EngineHost(async function* () {
    const all = await db.notes.count();
    let after = '';
    for (;;) {
      const notes = await db.notes.where('key').above(after).limit(PORTION).toArray();
      const last = notes[notes.length - 1];
      if (!last) return;
      after = last.key;
      yield { notes: notes.map((note) => ({ path: note.path, text: note.text ?? '', seen: note.seen ?? null })), all };
    }
  }),
);
