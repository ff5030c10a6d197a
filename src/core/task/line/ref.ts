import { clauseOf, readTail } from './tail';

/** The ref that the line of a task says; null for none. */
export const refOf = (raw: string): string | null => clauseOf(readTail(raw, 0), 'ref')?.value ?? null;

const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';

/**
 * Makes refs of six characters, without those that are easily taken for another, that no task has yet.
 *
 * @param taken whether a task has that ref already
 * @param random gives numbers from 0 up to 1
 */
export function refMaker(taken: (ref: string) => boolean, random: () => number): () => string {
  const made = new Set<string>();
  return () => {
    for (;;) {
      const ref = Array.from({ length: 6 }, () => SIGNS.charAt(Math.floor(random() * SIGNS.length))).join('');
      // A ref of digits alone could be taken for a number.
      if (/^\d+$/.test(ref) || taken(ref) || made.has(ref)) continue;
      made.add(ref);
      return ref;
    }
  };
}
