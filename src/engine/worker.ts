import * as Comlink from 'comlink';
import { storedNotes } from '../store/notes/read-notes';
import { EngineHost } from './host';

const PORTION = 400;

Comlink.expose(
  new EngineHost(async function* () {
    for await (const { notes, all } of storedNotes(PORTION))
      yield { notes: notes.map((note) => ({ path: note.path, text: note.text ?? '', seen: note.seen ?? null })), all };
  }),
);
