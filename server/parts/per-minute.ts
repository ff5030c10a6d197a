const MINUTE = 60_000;

/** Counts what is asked of something within a minute. */
export class PerMinute {
  private readonly counts = new Map<string, { count: number; until: number }>();

  constructor(
    private readonly most: number,
    private readonly now: () => number,
  ) {}

  /** Counts one more; whether that is too many. Counted before anything is looked at: many at once are many. */
  isTooMany(name: string): boolean {
    const before = this.counts.get(name);
    const counted = before && before.until > this.now() ? before : { count: 0, until: this.now() + MINUTE };
    if (counted.count >= this.most) return true;
    counted.count++;
    this.counts.set(name, counted);
    return false;
  }

  /** What was asked was asked rightly. */
  forgive(name: string): void {
    this.counts.delete(name);
  }

  /** Lets go of what is over. */
  prune(): void {
    for (const [name, { until }] of this.counts) if (until <= this.now()) this.counts.delete(name);
  }
}
