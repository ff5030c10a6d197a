import { Unzip, UnzipInflate, type UnzipFile } from 'fflate';
import type { ImportFile } from '../../store/import-notes';

/** More than this of one archive is refused: a small zip may unfold without end. */
const MOST_BYTES = 400 * 1024 * 1024;
const MOST_FILES = 50_000;
const PIECE = 1 << 20;

/** Unfolds a zip. An entry that is broken is given with its problem; the others still come. */
export async function readZip(archive: Blob): Promise<ImportFile[]> {
  const bytes = new Uint8Array(await archive.arrayBuffer());
  const files: ImportFile[] = [];
  let total = 0;
  const unzip = new Unzip((entry) => {
    if (entry.name.endsWith('/')) return;
    if (files.length >= MOST_FILES || total > MOST_BYTES) return;
    const file: ImportFile = { path: entry.name, bytes: null, problem: 'The archive ends before the file does.' };
    files.push(file);
    collect(entry, file, (size) => {
      total += size;
      return total <= MOST_BYTES;
    });
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length; at += PIECE) {
      unzip.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
      await new Promise((resolve) => setTimeout(resolve));
    }
  } catch {
    files.push({ path: 'the rest of the archive', bytes: null, problem: 'The archive is broken from here on.' });
  }
  if (files.length === 0) files.push({ path: 'the archive', bytes: null, problem: 'It holds no files, or is no zip.' });
  return files;
}

function collect(entry: UnzipFile, file: ImportFile, admit: (size: number) => boolean): void {
  const pieces: Uint8Array[] = [];
  entry.ondata = (error, data, final) => {
    if (error) {
      file.problem = 'It is broken inside the archive.';
      return;
    }
    if (!admit(data.length)) {
      file.problem = 'The archive unfolds to more than 400 MB.';
      entry.terminate();
      return;
    }
    pieces.push(data);
    if (final) file.bytes = join(pieces);
  };
  try {
    entry.start();
  } catch {
    file.problem = 'It is packed in a way that cannot be read.';
  }
}

function join(pieces: readonly Uint8Array[]): Uint8Array {
  const result = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    result.set(piece, at);
    at += piece.length;
  }
  return result;
}
