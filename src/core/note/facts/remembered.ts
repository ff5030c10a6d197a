/**
 * A copy of some words that keeps no other text alive. What is cut out of a text holds on to all of it; where words are kept for
 * long, as a name is that many notes share, that would be the whole of a note for a few letters.
 */
export const ownCopy = (words: string): string => JSON.parse(JSON.stringify(words)) as string;

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
