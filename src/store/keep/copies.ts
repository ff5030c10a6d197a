import { copiesToLetGo, copyName, copyTime } from '../../core/keep/copies-kept';
import { DAY, WEEK } from '../../core/keep/milliseconds';
import type { CopyPlace } from './copy-place';

/** A copy of everything, as it lies in its place. */
export interface KeptCopy {
  name: string;
  at: number;
  /** In bytes. */
  size: number;
}

/** The copies in a place, the newest first. */
export async function copiesIn(place: CopyPlace): Promise<KeptCopy[]> {
  const files = await place.list();
  return files
    .flatMap(({ name, size }) => {
      const at = copyTime(name);
      // A file without anything in it is one that was never closed.
      return at === null || size === 0 ? [] : [{ name, size, at }];
    })
    .sort((a, b) => b.at - a.at);
}

/**
 * Puts a copy into a place, and lets go of those that are old enough.
 *
 * @throws what the place says where it cannot be written; the copies that are there stay
 */
export async function addCopy(place: CopyPlace, content: Blob, at: Date): Promise<string> {
  const name = copyName(at);
  await place.write(name, content);
  for (const old of copiesToLetGo(await copiesIn(place))) await place.remove(old.name);
  return name;
}

/**
 * Lets all copies of a place go but the newest, as where the disk is full.
 *
 * @returns how many went
 */
export async function letOlderCopiesGo(place: CopyPlace): Promise<number> {
  const [, ...older] = await copiesIn(place);
  for (const { name } of older) await place.remove(name);
  return older.length;
}

/** How often a copy is made by itself. */
export type CopyEvery = 'daily' | 'weekly' | 'never';

const APART: Record<CopyEvery, number> = { daily: DAY, weekly: WEEK, never: Infinity };

/** Whether a copy is due: the last one is old enough, and there is something to be copied. */
export const isCopyDue = (last: number | null, every: CopyEvery, now: number): boolean =>
  every !== 'never' && (last === null || now - last >= APART[every]);
