import { diffIndices } from 'node-diff3';

/** Comparing costs as much as there are pairs of equal lines; beyond so many none of the lines between counts as the same. */
const MOST_PAIRS = 1_000_000;

/**
 * For each line of a text the line of an earlier one that it is; -1 for one that came.
 *
 * @example alignedLines(['a', 'b'], ['a', 'x', 'b']) // [0, -1, 1]
 */
export function alignedLines(before: readonly string[], after: readonly string[]): number[] {
  const least = Math.min(before.length, after.length);
  let head = 0;
  while (head < least && before[head] === after[head]) head++;
  let foot = 0;
  while (foot < least - head && before[before.length - 1 - foot] === after[after.length - 1 - foot]) foot++;
  const aligned = after.map((_, index) => {
    if (index < head) return index;
    return index >= after.length - foot ? before.length - (after.length - index) : -1;
  });
  const [left, came] = [before.slice(head, before.length - foot), after.slice(head, after.length - foot)];
  if (left.length === 0 || came.length === 0 || pairsOf(left, came) > MOST_PAIRS) return aligned;
  let [a, b] = [0, 0];
  const same = (untilB: number): void => {
    for (; b < untilB; a++, b++) aligned[head + b] = head + a;
  };
  for (const { buffer1, buffer2 } of diffIndices([...left], [...came])) {
    same(buffer2[0]);
    [a, b] = [buffer1[0] + buffer1[1], buffer2[0] + buffer2[1]];
  }
  same(came.length);
  return aligned;
}

function pairsOf(left: readonly string[], came: readonly string[]): number {
  const counts = new Map<string, number>();
  for (const line of left) counts.set(line, (counts.get(line) ?? 0) + 1);
  return came.reduce((sum, line) => sum + (counts.get(line) ?? 0), 0);
}
