/** How much of two lines must be the same for one to be the other. */
export const ALIKE = 0.5;
const LITTLE = 0.2;

/**
 * How much two lines share, from 0 to 1, by their words or by how they begin and end, whatever stands in their boxes; 2 for equal ones.
 *
 * @example likeness('- [ ] Pack it', '- [x] Pack it well') // 0.8
 */
export function likeness(one: string, other: string): number {
  if (one.trim() === other.trim()) return 2;
  const [first, second] = [saidIn(one), saidIn(other)];
  const [a, b] = [wordsOf(first), wordsOf(second)];
  const shared = a.filter((word) => b.includes(word)).length;
  return Math.max((2 * shared) / Math.max(1, a.length + b.length), endsShared(first, second));
}

/** What a line says behind its marker and box. */
const saidIn = (line: string): string => line.replace(/^\s*(?:(?:[-*+]|\d{1,9}[.)])\s+)?(?:\[[^\]]{1,8}\])?\s*/, '').trimEnd();

const wordsOf = (words: string): string[] => words.match(/[\p{L}\p{N}]+/gu) ?? [];

function endsShared(one: string, other: string): number {
  const least = Math.min(one.length, other.length);
  let head = 0;
  while (head < least && one[head] === other[head]) head++;
  let foot = 0;
  while (foot < least - head && one[one.length - 1 - foot] === other[other.length - 1 - foot]) foot++;
  return (head + foot) / Math.max(1, one.length, other.length);
}

/** Comparing costs as much as there are pairs. */
const MOST_PAIRS = 20_000;

/**
 * Which lines took the place of which, in order: for each of the later lines the one that it was; -1 for one that came.
 *
 * @example pairedLines(['- a b', '- c d'], ['- c d e']) // [1]
 */
export function pairedLines(before: readonly string[], after: readonly string[]): number[] {
  // One that took the place of one is that, where they have anything in common.
  if (before.length === 1 && after.length === 1) return [likeness(before[0] ?? '', after[0] ?? '') > LITTLE ? 0 : -1];
  if (before.length * after.length > MOST_PAIRS) return after.map((_, at) => (before.length === after.length ? at : -1));
  // The most that can be alike of the rest, from each pair of places on.
  const best = Array.from({ length: before.length + 1 }, () => new Float64Array(after.length + 1));
  const at = (a: number, b: number): number => best[a]?.[b] ?? 0;
  const alike = before.map((one) => after.map((other) => likeness(one, other)));
  const gain = (a: number, b: number): number => {
    const found = alike[a]?.[b] ?? 0;
    return found > ALIKE ? found : 0;
  };
  for (let a = before.length - 1; a >= 0; a--)
    for (let b = after.length - 1; b >= 0; b--) {
      const row = best[a];
      if (row) row[b] = Math.max(at(a + 1, b), at(a, b + 1), gain(a, b) > 0 ? gain(a, b) + at(a + 1, b + 1) : 0);
    }
  const paired = after.map(() => -1);
  for (let a = 0, b = 0; a < before.length && b < after.length;) {
    if (gain(a, b) > 0 && at(a, b) === gain(a, b) + at(a + 1, b + 1)) paired[b++] = a++;
    else if (at(a, b) === at(a + 1, b)) a++;
    else b++;
  }
  return paired;
}
