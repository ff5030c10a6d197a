/** How much of two lines must be the same for one to be the other. */
export const ALIKE = 0.5;

/**
 * How much of their words two lines share, from 0 to 1, whatever stands in their boxes; 2 for equal ones.
 *
 * @example likeness('- [ ] Pack it', '- [x] Pack it well') // 0.8
 */
export function likeness(one: string, other: string): number {
  if (one.trim() === other.trim()) return 2;
  const [a, b] = [wordsOf(one), wordsOf(other)];
  const shared = a.filter((word) => b.includes(word)).length;
  return (2 * shared) / Math.max(1, a.length + b.length);
}

const wordsOf = (line: string): string[] => line.replace(/^\s*(?:[-*+]|\d{1,9}[.)])\s+\[[^\]]{1,8}\]/, '').match(/[\p{L}\p{N}]+/gu) ?? [];

/** Comparing costs as much as there are pairs. */
const MOST_PAIRS = 20_000;

/**
 * Which lines took the place of which, in order: for each of the later lines the one that it was; -1 for one that came.
 *
 * @example pairedLines(['- a b', '- c d'], ['- c d e']) // [1]
 */
export function pairedLines(before: readonly string[], after: readonly string[]): number[] {
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
  // One that took the place of one is that, however it was reworded.
  return before.length === 1 && after.length === 1 ? [0] : paired;
}
