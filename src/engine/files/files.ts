import * as Comlink from 'comlink';
import type { Choices } from '../../core/formats/in/incoming';
import type { ReadingSettings } from '../../core/task/line/task';
import type { StoredNote } from '../../store/notes/content';
import type { ImportFile } from '../../store/notes/import/import-file';
import type { BringInPlan } from './bring-in';
import type { FilesWorker } from './files-worker';
import type { GivenFile } from './read-given';
import type { Swap } from './swapped';
import type { Copied, TakeOutAsked, TakenOut } from './take-out';

/** How many files are handed on at a time. */
const HANDED = 200;

/** A worker that reads or writes files; nothing of it holds the page. Whoever opens it ends it. */
export class Files {
  private readonly worker = new Worker(new URL('./files-worker.ts', import.meta.url), { type: 'module', name: 'recado-files' });
  private readonly work = Comlink.wrap<FilesWorker>(this.worker);
  private readonly failed = new Promise<never>((_, reject) => {
    this.worker.onerror = (event) => reject(new Error(event.message || 'The part of Recado for files could not be loaded.'));
  });

  constructor() {
    // Who asks nothing any more hears nothing of it.
    this.failed.catch(() => undefined);
  }

  end(): void {
    this.worker.terminate();
  }

  read(given: GivenFile[], reading: ReadingSettings, handles: readonly string[], progress: (read: number) => void): Promise<void> {
    return this.or(this.work.read(given, reading, handles, Comlink.proxy(progress)));
  }

  plan(choices: Choices): Promise<BringInPlan> {
    return this.or(this.work.plan(choices));
  }

  /** What was read, by choices, one after the other. */
  async *arrivals(choices: Choices): AsyncGenerator<ImportFile> {
    await this.or(this.work.begin(choices));
    for (;;) {
      const files = await this.or(this.work.next(HANDED));
      if (files.length === 0) return;
      yield* files;
    }
  }

  pack(others: Record<string, string>, progress: (packed: number, all: number) => void): Promise<Blob> {
    return this.or(this.work.pack(others, Comlink.proxy(progress)));
  }

  takeOut(asked: TakeOutAsked, notes: StoredNote[] | null, progress: (looked: number, all: number) => void): Promise<TakenOut> {
    return this.or(this.work.takeOut(asked, notes, Comlink.proxy(progress)));
  }

  copied(asked: TakeOutAsked, notes: StoredNote[] | null): Promise<Copied> {
    return this.or(this.work.copied(asked, notes));
  }

  swapped(copy: File, swaps: Swap[]): Promise<Blob | null> {
    return this.or(this.work.swapped(copy, swaps));
  }

  private or<T>(answer: Promise<T>): Promise<T> {
    return Promise.race([answer, this.failed]);
  }
}

/**
 * Does something with files, in a worker of its own, which is ended with it.
 *
 * @param signal stops it
 * @returns null when it was stopped
 */
export async function withFiles<T>(signal: AbortSignal, work: (files: Files) => Promise<T>): Promise<T | null> {
  const files = new Files();
  try {
    return await new Promise<T | null>((resolve, reject) => {
      if (signal.aborted) resolve(null);
      signal.addEventListener('abort', () => resolve(null));
      work(files).then(resolve, reject);
    });
  } finally {
    files.end();
  }
}

/**
 * Packs all stored notes.
 *
 * @param others files beside the notes, by their path
 * @returns null when it was stopped
 */
export const packAll = (
  others: Record<string, string>,
  progress: (packed: number, all: number) => void,
  signal: AbortSignal,
): Promise<Blob | null> => withFiles(signal, (files) => files.pack(others, progress));
