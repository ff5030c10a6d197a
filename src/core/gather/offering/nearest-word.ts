/**
 * The word of `known` that is nearest; null when none is near.
 *
 * @param most how many letters it may be away
 */
export function nearestWord(word: string, known: readonly string[], most = 2): string | null {
  let best: string | null = null;
  let least = Math.min(most, Math.floor(word.length / 2)) + 1;
  for (const candidate of known) {
    if (Math.abs(candidate.length - word.length) >= least) continue;
    const distance = editDistance(word, candidate);
    if (distance < least) {
      least = distance;
      best = candidate;
    }
  }
  return best;
}

/** How many letters must be added, dropped, changed or swapped with their neighbour. */
function editDistance(a: string, b: string): number {
  let before: number[] = [];
  let above = Array.from({ length: b.length + 1 }, (_, index) => index);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1];
      let cost = Math.min((above[j] ?? 0) + 1, (row[j - 1] ?? 0) + 1, (above[j - 1] ?? 0) + (same ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) cost = Math.min(cost, (before[j - 2] ?? 0) + 1);
      row.push(cost);
    }
    before = above;
    above = row;
  }
  return above[b.length] ?? 0;
}
