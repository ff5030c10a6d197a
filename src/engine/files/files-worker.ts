import * as Comlink from 'comlink';
import type { Choices } from '../../core/formats/in/incoming';
import { loadYaml } from '../../core/note/facts/front-matter';
import type { ReadingSettings } from '../../core/task/line/task';
import type { StoredNote } from '../../store/notes/content';
import type { ImportFile } from '../../store/notes/import/import-file';
import { STORED_PICTURES } from '../../store/pictures/read-pictures';
import { STORED_NOTES } from '../../store/notes/read-notes';
import { BringIn, type BringInPlan } from './bring-in';
import { packNotes } from './packing';
import { type GivenFile, readGiven } from './read-given';
import { type Swap, swapped } from './swapped';
import { type Copied, type Portions, type TakeOutAsked, type TakenOut, copied, takeOut } from './take-out';

const PORTION = 400;

let incoming: BringIn | null = null;
let arrivals: Iterator<ImportFile> | null = null;

/** What the page asks of the worker for files; it is ended when it is stopped. */
export interface FilesWorker {
  pack: (others: Record<string, string>, progress: (packed: number, all: number) => void) => Promise<Blob>;
  /** @param notes those that are taken, where they are few; all that are stored otherwise */
  takeOut: (asked: TakeOutAsked, notes: StoredNote[] | null, progress: (looked: number, all: number) => void) => Promise<TakenOut>;
  copied: (asked: TakeOutAsked, notes: StoredNote[] | null) => Promise<Copied>;
  /** A copy in which some files have others in their place; null where it holds none of them. */
  swapped: (copy: File, swaps: Swap[]) => Promise<Blob | null>;
  /** Reads files that were given. */
  read: (given: GivenFile[], reading: ReadingSettings, handles: readonly string[], progress: (read: number) => void) => Promise<void>;
  /** What they come to, by choices. */
  plan: (choices: Choices) => BringInPlan;
  /** Begins to hand on what they come to. */
  begin: (choices: Choices) => void;
  /** The next of it; empty at the end. */
  next: (count: number) => ImportFile[];
}

const worker: FilesWorker = {
  pack: (others, progress) => packNotes(STORED_NOTES.portions(PORTION), others, progress),
  takeOut: async (asked, notes, progress) => {
    // Front matter of every shape is read as it is.
    await loadYaml();
    return takeOut(notes ? portionsOf(notes) : STORED_NOTES.portions(PORTION), asked, progress, STORED_PICTURES);
  },
  copied: async (asked, notes) => {
    await loadYaml();
    return copied(notes ? portionsOf(notes) : STORED_NOTES.portions(PORTION), asked);
  },
  swapped: (copy, swaps) => swapped(copy, swaps),
  read: async (given, reading, handles, progress) => {
    await loadYaml();
    incoming = new BringIn(reading, new Set(handles));
    await incoming.read(readGiven(given), STORED_NOTES.portions(PORTION), progress);
  },
  plan: (choices) => theIncoming().plan(choices),
  begin: (choices) => {
    arrivals = theIncoming().arrivals(choices);
  },
  next: (count) => {
    const files: ImportFile[] = [];
    while (files.length < count) {
      const step = arrivals?.next();
      if (!step || step.done) break;
      files.push(step.value);
    }
    return files;
  },
};

function theIncoming(): BringIn {
  if (!incoming) throw new Error('Nothing was read.');
  return incoming;
}

async function* portionsOf(notes: readonly StoredNote[]): Portions {
  yield { notes, all: notes.length };
}

Comlink.expose(worker);
