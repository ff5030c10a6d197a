import { Zip, ZipPassThrough, deflateSync } from 'fflate';
import type { StoredNote } from '../../store/notes/content';

/** A file that is there whole is packed at once: a stream would ask for much room, and clear it, for each of many small ones. */
class PackedFile extends ZipPassThrough {
  /** Deflate, as a zip names it (APPNOTE 4.4.5). */
  override compression = 8;

  protected override process(chunk: Uint8Array<ArrayBuffer>, final: boolean): void {
    this.ondata(null, deflateSync(chunk, { level: 6 }), final);
  }
}

/** So many pieces are held before they are given away. */
const HELD = 1000;

/** The time of a file in a zip begins with 1980. */
const EARLIEST = Date.UTC(1980, 0, 2);

/**
 * Everything as one zip: each note with its very bytes under its path, and other files beside them.
 *
 * @param pictures that stand beside them
 * @param progress called after each portion with how many notes are packed, of how many
 */
export async function packNotes(
  portions: AsyncIterable<{ notes: readonly StoredNote[]; all: number }>,
  others: Readonly<Record<string, string>>,
  progress: (packed: number, all: number) => void,
  pictures: AsyncIterable<PackedGiven> | null = null,
): Promise<Blob> {
  let packed = 0;
  const encoder = new TextEncoder();
  async function* files(): AsyncGenerator<PackedGiven> {
    for await (const { notes, all } of portions) {
      for (const note of notes) yield { path: note.path, bytes: note.bytes ?? encoder.encode(note.text ?? ''), changed: note.changed };
      packed += notes.length;
      progress(packed, all);
    }
    if (pictures) yield* pictures;
    for (const [path, text] of Object.entries(others)) yield { path, bytes: encoder.encode(text), changed: Date.now() };
  }
  return packFiles(files());
}

/** A file that is to be packed; when it was changed, in milliseconds since 1970. */
export interface PackedGiven {
  path: string;
  bytes: Uint8Array;
  changed: number;
}

/** Files as one zip, each as it is given. */
export async function packFiles(files: AsyncIterable<PackedGiven>): Promise<Blob> {
  const pieces: BlobPart[] = [];
  let failure: Error | null = null;
  const zip = new Zip((error, data) => {
    if (error) failure = error;
    else pieces.push(data);
    // Many small pieces take more room than what they hold.
    if (pieces.length > HELD) pieces.splice(0, pieces.length, new Blob(pieces));
  });
  for await (const { path, bytes, changed } of files) {
    const file = new PackedFile(path);
    file.mtime = Math.max(changed, EARLIEST);
    zip.add(file);
    file.push(bytes, true);
  }
  zip.end();
  if (failure) throw failure as Error;
  return new Blob(pieces, { type: 'application/zip' });
}
