import * as Comlink from 'comlink';
import { STORED_NOTES } from '../store/notes/read-notes';
import { packNotes } from './packing';

const PORTION = 400;

/** What the page asks of the worker that packs an export. */
export interface Packer {
  pack: (others: Record<string, string>, progress: (packed: number, all: number) => void) => Promise<Blob>;
}

Comlink.expose({ pack: (others, progress) => packNotes(STORED_NOTES.portions(PORTION), others, progress) } satisfies Packer);
