import { diff3Merge } from 'node-diff3';

/**
 * Merges two texts that grew from one, line by line. Null when both changed the same lines in different ways.
 */
export function mergeTexts(base: string, mine: string, theirs: string): string | null {
  if (mine === base) return theirs;
  if (theirs === base || mine === theirs) return mine;
  const regions = diff3Merge(mine.split('\n'), base.split('\n'), theirs.split('\n'), { excludeFalseConflicts: true });
  const lines: string[] = [];
  for (const region of regions) {
    const merged = region.ok ?? (region.conflict ? lineByLine(region.conflict) : null);
    if (!merged) return null;
    for (const line of merged) lines.push(line);
  }
  return lines.join('\n');
}

/** Lines that stand next to each other are one place to the comparison: where none came or went, each is looked at alone. */
function lineByLine({ a, o, b }: { a: string[]; o: string[]; b: string[] }): string[] | null {
  if (a.length !== o.length || b.length !== o.length) return null;
  const merged = o.map((old, index) => (a[index] === old ? b[index] : b[index] === old || a[index] === b[index] ? a[index] : undefined));
  return merged.every((line) => line !== undefined) ? merged : null;
}
