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
    if (!region.ok) return null;
    for (const line of region.ok) lines.push(line);
  }
  return lines.join('\n');
}
