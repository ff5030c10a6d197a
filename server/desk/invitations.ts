/** How long an invitation waits for its device, in milliseconds, and how many wait at most. */
const LASTS = 10 * 60_000;
const MOST = 200;

/** Invitations of devices: sealed words that lie here for some minutes, to be fetched once. Nothing of them comes to the disk. */
export class Invitations {
  private readonly waiting = new Map<string, { bytes: Buffer; until: number }>();

  constructor(private readonly now: () => number = Date.now) {}

  /** @returns false where one waits there already, or too many wait */
  put(id: string, bytes: Buffer): boolean {
    const now = this.now();
    for (const [one, { until }] of this.waiting) if (until <= now) this.waiting.delete(one);
    if (this.waiting.has(id) || this.waiting.size >= MOST) return false;
    this.waiting.set(id, { bytes, until: now + LASTS });
    return true;
  }

  /** Gives it, and keeps it no longer. */
  take(id: string): Buffer | null {
    const found = this.waiting.get(id);
    this.waiting.delete(id);
    return found && found.until > this.now() ? found.bytes : null;
  }
}
