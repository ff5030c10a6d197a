import type { Row } from '../index/row';
import type { Compare } from './order';

/** Keeps the first so many of the rows offered to it, in an order; the others cost one comparison each. */
export class Heaviest {
  /** A heap whose first row is the last of those kept. */
  private readonly heap: Row[] = [];

  constructor(
    private readonly compare: Compare,
    private readonly most: number,
  ) {}

  offer(row: Row): void {
    const { heap, compare } = this;
    if (heap.length < this.most) {
      heap.push(row);
      this.rise(heap.length - 1);
      return;
    }
    const last = heap[0];
    if (last === undefined || compare(row, last) >= 0) return;
    heap[0] = row;
    this.sink();
  }

  sorted(): Row[] {
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
    const row = this.heap[upper] as Row;
    this.heap[upper] = this.heap[lower] as Row;
    this.heap[lower] = row;
    return true;
  }
}
