import * as z from 'zod/mini';
import { JSON_FORMAT, JSON_VERSION } from '../out/json-out';

const FILE = z.object({
  format: z.literal(JSON_FORMAT),
  version: z.int(),
  notes: z.array(z.object({ path: z.nullable(z.string()), title: z.string(), text: z.string() })),
});

/** A note of a file: its path where it was one, else a title for what a list held. */
export interface JsonNote {
  path: string | null;
  title: string;
  text: string;
}

/**
 * Reads JSON of ours.
 *
 * @returns why it cannot be read, in plain words, where it cannot
 */
export function readOurJson(text: string): { notes: JsonNote[] } | { refused: string } {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { refused: 'It is no JSON.' };
  }
  const head = z.looseObject({ format: z.literal(JSON_FORMAT), version: z.int() }).safeParse(json);
  if (!head.success) return { refused: 'It is JSON, but none that Recado wrote.' };
  if (head.data.version > JSON_VERSION) return { refused: 'A newer Recado wrote it, which says more than this one can read.' };
  const read = FILE.safeParse(json);
  return read.success ? { notes: read.data.notes } : { refused: 'It is JSON of Recado, but parts of it are missing.' };
}
