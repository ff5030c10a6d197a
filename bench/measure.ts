/** The least time of each of several functions, in milliseconds: two rounds discarded, then nine, taken in turn. */
export function measure<K extends string>(functions: Record<K, () => void>, rounds = 9): Record<K, number> {
  const names = Object.keys(functions) as K[];
  const best = Object.fromEntries(names.map((name) => [name, Infinity])) as Record<K, number>;
  for (let round = -2; round < rounds; round++) {
    for (const name of names) {
      const started = performance.now();
      functions[name]();
      const time = performance.now() - started;
      if (round >= 0 && time < best[name]) best[name] = time;
    }
  }
  return best;
}

export interface BenchRow {
  what: string;
  reference: string;
  /** Ours ÷ the reference, or the other way round where `atLeast` is asked. */
  ratio: number;
  /** What is to be reached; null for a row that is only shown. */
  limit: { atLeast: number } | { atMost: number } | null;
  holds: boolean | null;
}

export function row(what: string, reference: string, ratio: number, limit: BenchRow['limit']): BenchRow {
  const holds = limit === null ? null : 'atLeast' in limit ? ratio >= limit.atLeast : ratio <= limit.atMost;
  return { what, reference, ratio, limit, holds };
}
