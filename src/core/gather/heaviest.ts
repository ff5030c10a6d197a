/** Keeps the first so many of the rows offered to it, in an order; the others cost one comparison each. */
export class Heaviest<T> {
  /** A heap whose first row is the last of those kept. */
  private readonly heap: T[] = [];
  /** What the rows of the heap weigh. */
  private readonly weights: number[] = [];

  /**
   * @param weigh a number that never falls in the order: only rows of equal weight are compared
   */
  constructor(
    private readonly compare: (a: T, b: T) => number,
    private readonly most: number,
    private readonly weigh: ((one: T) => number) | null = null,
  ) {}

  offer(row: T): void {
    const { heap, weights } = this;
    if (this.most === 0) return;
    const weight = this.weigh === null ? 0 : this.weigh(row);
    if (heap.length < this.most) {
      heap.push(row);
      weights.push(weight);
      this.rise(heap.length - 1);
      return;
    }
    const lightest = weights[0] as number;
    if (weight > lightest || (weight === lightest && this.compare(row, heap[0] as T) >= 0)) return;
    heap[0] = row;
    weights[0] = weight;
    this.sink();
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
