import { useCallback, useState } from 'react';
import { foldPath } from '../../core/note/path';

/**
 * A key for what shows a note: it stays while the note is followed to another path, so that its editor and the words in it stay too, and
 * changes with another note.
 *
 * @example const [key, follows] = useFollowed(path); // follows('Crates 2.md'), then the address may change
 */
export function useFollowed(path: string): [key: string, follows: (to: string) => void] {
  const [followed, setFollowed] = useState(() => ({ key: path, paths: [foldPath(path)] }));
  const follows = useCallback((to: string) => setFollowed((one) => ({ ...one, paths: [...one.paths, foldPath(to)] })), []);
  if (followed.paths.includes(foldPath(path))) return [followed.key, follows];
  const next = { key: path, paths: [foldPath(path)] };
  setFollowed(next);
  return [next.key, follows];
}
