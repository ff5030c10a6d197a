import { useCallback, useState } from 'react';
import { foldPath } from '../../core/note/path';

/** What shows a note, while the note may be moved. */
export interface Followed {
  /** Stays while the note is followed to another path, so that its editor and the words in it stay too; another note has another. */
  key: number;
  /** The note is moved there, and the path that is asked for will be that one. */
  follows: (to: string) => void;
}

/**
 * Tells a note that is followed to its new path from another note at that path.
 *
 * @example const { key, follows } = useFollowed(path); // follows('Crates 2.md'), then the address may change
 */
export function useFollowed(path: string): Followed {
  const [shown, setShown] = useState(() => ({ key: 0, path, next: null as string | null }));
  const follows = useCallback((next: string) => setShown((one) => ({ ...one, next })), []);
  const isHere = foldPath(path) === foldPath(shown.path);
  if (isHere) return { key: shown.key, follows };
  const arrived = shown.next !== null && foldPath(path) === foldPath(shown.next);
  const key = arrived ? shown.key : shown.key + 1;
  // The path that it left may be that of another note from now on.
  setShown({ key, path, next: null });
  return { key, follows };
}
