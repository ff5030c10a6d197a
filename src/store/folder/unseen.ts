import type { Content } from '../notes/content';

/** What stood in a file before it was written over from here, and when that was, in milliseconds since 1970. */
export interface WrittenOver {
  before: Content;
  modified: number;
}

/**
 * Whether a text was written by somebody who had not seen what was written just before it: it has all the words there were, and lacks some of
 * those that came. Who takes words away has seen them, or means it.
 *
 * @param before what stood there before our write
 * @param ours what we wrote
 * @param theirs what stands there now
 * @example isUnseen('a', 'a b', 'a c') // true
 */
export function isUnseen(before: string, ours: string, theirs: string): boolean {
  const [old, own, there] = [counted(before), counted(ours), counted(theirs)];
  const holds = (all: ReadonlyMap<string, number>, word: string, count: number): boolean => (all.get(word) ?? 0) >= count;
  return [...old].every(([word, count]) => holds(there, word, count)) && [...own].some(([word, count]) => !holds(there, word, count));
}

function counted(text: string): Map<string, number> {
  const counts = new Map<string, number>();
  for (const [word] of text.matchAll(/\S+/g)) counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
}
