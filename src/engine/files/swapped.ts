import { decodeUtf8 } from '../../core/note/blocks/decode';
import { foldPath } from '../../core/note/names/path';
import { EARLIER_FILE } from '../../store/keep/earlier-name';
import { packFiles } from './packing';
import { readZip } from './read-zip';

/** A file of a copy, and what is to lie there in its place. */
export interface Swap {
  from: string;
  to: string;
  bytes: Uint8Array;
}

/**
 * A copy in which some files have others in their place, and of which no earlier text is kept.
 *
 * @returns null where it holds none of them
 * @throws where the copy, or a file in it, cannot be read: it stays as it is then
 */
export async function swapped(copy: File, swaps: readonly Swap[]): Promise<Blob | null> {
  const places = new Map(swaps.map((swap) => [foldPath(swap.from), swap]));
  let found = false;
  async function* files(): AsyncGenerator<{ path: string; bytes: Uint8Array; changed: number }> {
    for await (const { path, bytes, problem } of readZip(copy)) {
      if (bytes === null) throw new Error(problem ?? 'A file of the copy cannot be read.');
      const swap = places.get(foldPath(path));
      const earlier = path === EARLIER_FILE ? withoutEarlier(bytes, places) : null;
      found ||= swap !== undefined || (earlier !== null && earlier.length !== bytes.length);
      yield { path: swap?.to ?? path, bytes: swap?.bytes ?? earlier ?? bytes, changed: 0 };
    }
  }
  const packed = await packFiles(files());
  return found ? packed : null;
}

/** The file of earlier texts without those of some notes. */
function withoutEarlier(bytes: Uint8Array, places: ReadonlyMap<string, Swap>): Uint8Array {
  const file = JSON.parse(decodeUtf8(bytes) ?? '{}') as { earlier?: { path?: string }[] };
  const earlier = (file.earlier ?? []).filter(({ path }) => !places.has(foldPath(path ?? '')));
  return earlier.length === (file.earlier ?? []).length ? bytes : new TextEncoder().encode(`${JSON.stringify({ ...file, earlier })}\n`);
}
