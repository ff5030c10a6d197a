/** Keeps the first so many of the rows offered to it, in an order; the others cost one comparison each. */
export class Heaviest<T> {
  /** A heap whose first row is the last of those kept. */
  private readonly heap: T[] = [];
  /** What the rows of the heap weigh. */
  private readonly weights: number[] = [];

  /** What weighs more need not be offered. */
  bound = Infinity;

  constructor(
    private readonly compare: (a: T, b: T) => number,
    private readonly most: number,
  ) {
    if (most <= 0) this.bound = -Infinity;
  }

  /**
   * @param weight a number that never falls in the order: only rows of equal weight are compared
   */
  offer(row: T, weight = 0): void {
    const { heap, weights } = this;
    if (weight > this.bound || this.most <= 0) return;
    if (heap.length < this.most) {
      heap.push(row);
      weights.push(weight);
      this.rise(heap.length - 1);
    } else {
      if (weight === this.bound && this.compare(row, heap[0] as T) >= 0) return;
      heap[0] = row;
      weights[0] = weight;
      this.sink();
    }
    if (heap.length === this.most) this.bound = weights[0] as number;
  }

  sorted(): T[] {
    return [...this.heap].sort(this.compare);
  }

  private rise(from: number): void {
    let at = from;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!this.isAfter(at, up)) return;
      this.swap(up, at);
      at = up;
    }
  }

  private sink(): void {
    const { length } = this.heap;
    for (let at = 0; ;) {
      const left = 2 * at + 1;
      if (left >= length) return;
      const right = left + 1;
      const lower = right < length && this.isAfter(right, left) ? right : left;
      if (!this.isAfter(lower, at)) return;
      this.swap(at, lower);
      at = lower;
    }
  }

  /** Whether the row at one place stands behind the row at another. */
  private isAfter(a: number, b: number): boolean {
    const difference = (this.weights[a] as number) - (this.weights[b] as number);
    return difference > 0 || (difference === 0 && this.compare(this.heap[a] as T, this.heap[b] as T) > 0);
  }

  private swap(a: number, b: number): void {
    const { heap, weights } = this;
    const row = heap[a] as T;
    heap[a] = heap[b] as T;
    heap[b] = row;
    const weight = weights[a] as number;
    weights[a] = weights[b] as number;
    weights[b] = weight;
  }
}
