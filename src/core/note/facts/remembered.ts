import { ownCopy } from './own-copy';

/**
 * Remembers what a function found, because a library says the same few words thousands of times. When it knows too many it begins
 * anew, so that it never grows with a library that says each only once.
 *
 * @param most how many words it knows at most
 */
export function remembered<T>(find: (words: string) => T, most = 50_000): (words: string) => T {
  const known = new Map<string, T>();
  return (words) => {
    let found = known.get(words);
    if (found === undefined) {
      if (known.size >= most) known.clear();
      const kept = ownCopy(words);
      found = find(kept);
      known.set(kept, found);
    }
    return found;
  };
}
