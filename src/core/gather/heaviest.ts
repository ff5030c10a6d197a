/** Keeps the first so many of the rows offered to it, in an order; the others cost one comparison each. */
export class Heaviest<T> {
  /** A heap whose first row is the last of those kept. */
  private readonly heap: T[] = [];
  private lastWeight = Infinity;

  constructor(
    private readonly compare: (a: T, b: T) => number,
    private readonly most: number,
    /** A number that never falls in the order: what weighs more than the last one kept is passed over without comparing. */
    private readonly weigh: ((one: T) => number) | null = null,
  ) {}

  offer(row: T): void {
    const { heap, compare } = this;
    if (this.most === 0) return;
    if (heap.length < this.most) {
      heap.push(row);
      this.rise(heap.length - 1);
      if (heap.length === this.most) this.setLastWeight();
      return;
    }
    if (this.weigh !== null && this.weigh(row) > this.lastWeight) return;
    const last = heap[0];
    if (last === undefined || compare(row, last) >= 0) return;
    heap[0] = row;
    this.sink();
    this.setLastWeight();
  }

  private setLastWeight(): void {
    const last = this.heap[0];
    if (this.weigh !== null && last !== undefined) this.lastWeight = this.weigh(last);
  }

  sorted(): T[] {
    return [...this.heap].sort(this.compare);
  }

  private rise(from: number): void {
    let at = from;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!this.swapped(up, at)) return;
      at = up;
    }
  }

  private sink(): void {
    for (let at = 0; ;) {
      const left = 2 * at + 1;
      const right = left + 1;
      const lower = this.isAfter(right, left) ? right : left;
      if (!this.swapped(at, lower)) return;
      at = lower;
    }
  }

  /** Whether the row at one place stands behind the row at another. */
  private isAfter(a: number, b: number): boolean {
    const one = this.heap[a];
    const other = this.heap[b];
    return one !== undefined && other !== undefined && this.compare(one, other) > 0;
  }

  /** Swaps an upper row with a lower one that stands behind it. */
  private swapped(upper: number, lower: number): boolean {
    if (!this.isAfter(lower, upper)) return false;
    const row = this.heap[upper] as T;
    this.heap[upper] = this.heap[lower] as T;
    this.heap[lower] = row;
    return true;
  }
}
