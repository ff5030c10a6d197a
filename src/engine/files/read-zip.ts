import { Unzip, UnzipInflate, type UnzipFile } from 'fflate';
import type { ImportFile } from '../../store/notes/import/import-file';

/** No note is larger; an entry that unfolds to more is left out. */
const LARGEST = 50 * 1024 * 1024;
/** Nor is a library: more than this of one archive is left out. */
const MOST_BYTES = 400 * 1024 * 1024;
const MOST_FILES = 200_000;
/** Beyond so many bytes, an archive that unfolds to more than a hundred times its size is made to fill the memory. */
const SUSPECT_BYTES = 32 * 1024 * 1024;
const SUSPECT_TIMES = 100;

/** The library calls itself once for each file of a piece: a small one holds few. */
const PIECE = 1 << 14;
/** How long the page is held at most before it may draw, in milliseconds. */
const TURN = 12;

/**
 * Unfolds a zip, file by file as they come. An entry that is broken is given with its problem; the others still come. What is left out
 * because there is too much of it is said, too.
 */
export async function* readZip(archive: Blob): AsyncGenerator<ImportFile> {
  const unfolding = new Unfolding();
  const unzip = new Unzip((entry) => unfolding.add(entry));
  unzip.register(UnzipInflate);
  let turn = performance.now();
  let given = 0;
  let problem: string | null = null;
  for (let at = 0; at < archive.size && problem === null; at += PIECE * 64) {
    const bytes = new Uint8Array(await archive.slice(at, at + PIECE * 64).arrayBuffer());
    for (let from = 0; from < bytes.length && problem === null; from += PIECE) {
      unfolding.taken = at + from + PIECE;
      try {
        unzip.push(bytes.subarray(from, from + PIECE), at + from + PIECE >= archive.size);
      } catch (error) {
        problem = `The archive is broken from here on (${error instanceof Error ? error.message : String(error)}).`;
      }
      problem ??= unfolding.excess;
      for (const file of unfolding.take()) {
        given++;
        yield file;
      }
      if (performance.now() - turn < TURN) continue;
      await new Promise((resolve) => setTimeout(resolve));
      turn = performance.now();
    }
  }
  for (const file of unfolding.rest()) {
    given++;
    yield file;
  }
  if (problem !== null) yield { path: 'the rest of the archive', bytes: null, problem };
  else if (given === 0) yield { path: 'the archive', bytes: null, problem: 'It holds no files, or is no zip.' };
}

/** The files of an archive, in their order, while they are unfolded. */
class Unfolding {
  /** How many bytes of the archive were read. */
  taken = 0;
  /** Why the rest is not read; null while it is. */
  excess: string | null = null;
  private readonly files: { file: ImportFile; whole: boolean }[] = [];
  private count = 0;
  private total = 0;

  add(entry: UnzipFile): void {
    if (entry.name.endsWith('/') || this.excess !== null) return;
    if (++this.count > MOST_FILES) {
      this.excess = `It holds more than ${MOST_FILES.toLocaleString('en')} files; the others were not read.`;
      return;
    }
    const file: ImportFile = { path: entry.name, bytes: null, problem: 'The archive ends before the file does.' };
    const holder = { file, whole: false };
    this.files.push(holder);
    const pieces: Uint8Array[] = [];
    let size = 0;
    const leave = (reason: string): void => {
      file.problem = reason;
      holder.whole = true;
      pieces.length = 0;
    };
    entry.ondata = (error, data, final) => {
      if (holder.whole) return;
      if (error) return leave('It is broken inside the archive.');
      size += data.length;
      this.total += data.length;
      if (size > LARGEST) {
        leave('It unfolds to more than 50 MB, as no note does.');
        entry.terminate();
      } else pieces.push(data);
      this.weigh();
      if (!final || holder.whole) return;
      file.bytes = join(pieces, size);
      delete file.problem;
      holder.whole = true;
    };
    try {
      entry.start();
    } catch {
      leave('It is packed in a way that cannot be read.');
    }
  }

  private weigh(): void {
    if (this.total > MOST_BYTES) this.excess ??= 'It unfolds to more than 400 MB; the rest was not read.';
    else if (this.total > SUSPECT_BYTES && this.total > SUSPECT_TIMES * this.taken)
      this.excess ??=
        'It unfolds to more than a hundred times its size, as an archive does that is made to fill the memory; it was not read on.';
  }

  /** The files that are whole, in their order. */
  take(): ImportFile[] {
    const first = this.files.findIndex(({ whole }) => !whole);
    return this.files.splice(0, first === -1 ? this.files.length : first).map(({ file }) => file);
  }

  /** What is left when the archive ended. */
  rest(): ImportFile[] {
    return this.files.splice(0).map(({ file }) => file);
  }
}

function join(pieces: readonly Uint8Array[], size: number): Uint8Array {
  const [only] = pieces;
  if (pieces.length === 1 && only) return only;
  const result = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    result.set(piece, at);
    at += piece.length;
  }
  return result;
}
