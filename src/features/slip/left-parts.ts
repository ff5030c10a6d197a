/**
 * Where parts begin that are left as words, after a text was typed on: those behind the change move with their words, those within it are
 * read again.
 *
 * @example leftAfter(new Set([13]), 'read the log fri', 'read the old log fri') // Set { 17 }
 */
export function leftAfter(left: ReadonlySet<number>, before: string, after: string): ReadonlySet<number> {
  if (left.size === 0 || before === after) return left;
  let head = 0;
  const shortest = Math.min(before.length, after.length);
  while (head < shortest && before[head] === after[head]) head++;
  let foot = 0;
  while (foot < shortest - head && before[before.length - 1 - foot] === after[after.length - 1 - foot]) foot++;
  const end = before.length - foot;
  return new Set([...left].flatMap((at) => (at < head ? [at] : at >= end ? [at + after.length - before.length] : [])));
}
