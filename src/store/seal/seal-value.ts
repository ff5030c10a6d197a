import * as z from 'zod/mini';
import { foldPath } from '../../core/note/names/path';

z.config({ jitless: true });

/** Where the store keeps by which seal each sealed note is sealed, as far as it was found out: folded path of the note, path of the seal. */
export const SEALED_BY = 'sealedBy';

/** Written when all seals are to be closed, in every tab. */
export const CLOSE_ALL = 'closeSeals';

const schema = z.record(z.string(), z.string());

export function readSealedBy(value: unknown): Record<string, string> {
  const read = z.safeParse(schema, value);
  return read.success ? read.data : {};
}

/** What is known, with some more; what is there no more goes. */
export function sealedByWith(
  value: unknown,
  found: readonly { path: string; seal: string }[],
  there: ReadonlySet<string>,
): Record<string, string> {
  const known = { ...readSealedBy(value), ...Object.fromEntries(found.map(({ path, seal }) => [foldPath(path), seal])) };
  return Object.fromEntries(Object.entries(known).filter(([key]) => there.has(key)));
}
