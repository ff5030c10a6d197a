/** So many records are handed to the browser at once: it copies them in one go, and the page stands still meanwhile. */
const PART = 150;

/** What is to be written, in parts that do not hold the page up; one after the other, within one transaction. */
export function partsOf<T>(all: readonly T[]): T[][] {
  const parts: T[][] = [];
  for (let at = 0; at < all.length; at += PART) parts.push(all.slice(at, at + PART));
  return parts;
}
