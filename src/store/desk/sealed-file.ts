import * as z from 'zod/mini';

z.config({ jitless: true });

/** So many versions a file remembers of those that it came from. */
export const REMEMBERED = 16;

const SHAPE = z.object({
  /** Of the note, as the device that wrote it has it. */
  path: z.string(),
  /** The name of this version, random. */
  version: z.string(),
  /** How many versions there were before it. */
  count: z.int(),
  /** The versions that it came from, the last first. */
  before: z.array(z.string()),
  /** Whether the note was removed: then nothing follows. */
  removed: z.boolean(),
});

/** What a sealed file says of itself. */
export type SealedHead = z.infer<typeof SHAPE>;

/** A file of a desk, opened. */
export interface OpenedFile {
  head: SealedHead;
  bytes: Uint8Array;
}

const LINE_END = 10;

/** What is sealed: one line of JSON, then the file’s own bytes. */
export function packFile({ head, bytes }: OpenedFile): Uint8Array {
  const first = new TextEncoder().encode(`${JSON.stringify(head)}\n`);
  const packed = new Uint8Array(first.length + bytes.length);
  packed.set(first);
  packed.set(bytes, first.length);
  return packed;
}

/** @throws where it is no such file */
export function unpackFile(packed: Uint8Array): OpenedFile {
  const end = packed.indexOf(LINE_END);
  if (end < 0) throw new Error('It holds no file of Recado.');
  const head = SHAPE.parse(JSON.parse(new TextDecoder().decode(packed.subarray(0, end))));
  return { head, bytes: packed.slice(end + 1) };
}

/** The head of the version that comes after another; null begins. */
export function nextHead(last: Pick<SealedHead, 'version' | 'count' | 'before'> | null, path: string, removed: boolean): SealedHead {
  return {
    ...{ path, removed, version: newVersion(), count: last ? last.count + 1 : 0 },
    before: last ? [last.version, ...last.before].slice(0, REMEMBERED) : [],
  };
}

function newVersion(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(6));
  return btoa(String.fromCharCode(...bytes));
}

type Known = Pick<SealedHead, 'version' | 'count' | 'before'>;

/**
 * How a version stands to the last one that was seen here.
 *
 * - `same`
 * - `newer`: it came from that one, as far as is remembered
 * - `older`: that one came from it, so that the server gave what is no longer there
 * - `apart`: neither came from the other, as after a server that went back to an old copy and was written to
 */
export function standsTo(seen: Known, given: Known): 'same' | 'newer' | 'older' | 'apart' {
  if (given.version === seen.version) return 'same';
  if (given.before.includes(seen.version)) return 'newer';
  if (seen.before.includes(given.version)) return 'older';
  // Away for long, the device does not know what lies between.
  return given.count - seen.count > REMEMBERED ? 'newer' : 'apart';
}
