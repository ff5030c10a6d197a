import { useCallback, useState } from 'react';
import { foldPath } from '../../core/note/names/path';

/** What shows a note, while the note may be moved. */
export interface Followed {
  /** Stays while the note is followed to another path, so that its editor and the words in it stay too; another note has another. */
  key: number;
  /** The note is moved there, and the path that is asked for will be that one. */
  follows: (to: string) => void;
}

/** Which note is shown, and where it is moved to while its path has not changed yet. */
export interface Shown {
  key: number;
  path: string;
  next: string | null;
}

/** What is shown once a path is asked for: the same note when that is where it was, or where it went. */
export function shownAt(shown: Shown, path: string): Shown {
  if (foldPath(path) === foldPath(shown.path)) return shown;
  const arrived = shown.next !== null && foldPath(path) === foldPath(shown.next);
  // The path that it left may be that of another note from now on.
  return { key: arrived ? shown.key : shown.key + 1, path, next: null };
}

/**
 * Tells a note that is followed to its new path from another note at that path.
 *
 * @example const { key, follows } = useFollowed(path); // follows('Crates 2.md'), then the address may change
 */
export function useFollowed(path: string): Followed {
  const [shown, setShown] = useState<Shown>(() => ({ key: 0, path, next: null }));
  const follows = useCallback((next: string) => setShown((one) => ({ ...one, next })), []);
  const now = shownAt(shown, path);
  if (now !== shown) setShown(now);
  return { key: now.key, follows };
}
