import type { AnswerRow } from '../../gather/answer/answer';
import type { Compare } from '../../gather/answer/order';

/** Small enough that moving the rest of a chunk costs nothing, large enough that there are few of them. */
const CHUNK = 256;

/** Rows in an order that names each row's place exactly; putting one in or taking one out does not move the others. */
export class SortedEntries {
  private chunks: AnswerRow[][] = [];
  size = 0;

  constructor(private readonly compare: Compare) {}

  /** Takes over entries that are in order already. */
  fill(sorted: readonly AnswerRow[]): void {
    this.chunks = [];
    for (let at = 0; at < sorted.length; at += CHUNK) this.chunks.push(sorted.slice(at, at + CHUNK));
    this.size = sorted.length;
  }

  /** Puts an entry in; gives its place. */
  insert(entry: AnswerRow): number {
    const found = this.find(entry);
    const chunk = this.chunks[found.chunk];
    this.size++;
    if (!chunk) {
      this.chunks.push([entry]);
      return 0;
    }
    chunk.splice(found.at, 0, entry);
    if (chunk.length > 2 * CHUNK) this.chunks.splice(found.chunk, 1, chunk.slice(0, CHUNK), chunk.slice(CHUNK));
    return found.place;
  }

  /** Takes out the entry of the same row; gives its place, -1 when it is not there. */
  remove(entry: AnswerRow): number {
    const found = this.find(entry);
    const chunk = this.chunks[found.chunk];
    if (chunk?.[found.at]?.row !== entry.row) return -1;
    chunk.splice(found.at, 1);
    if (chunk.length === 0) this.chunks.splice(found.chunk, 1);
    this.size--;
    return found.place;
  }

  /** The first so many entries. */
  first(count: number): AnswerRow[] {
    if (count >= this.size) return this.chunks.length === 1 ? [...(this.chunks[0] ?? [])] : this.chunks.flat();
    const taken: AnswerRow[] = [];
    for (const chunk of this.chunks) {
      for (const entry of chunk) {
        if (taken.length === count) return taken;
        taken.push(entry);
      }
    }
    return taken;
  }

  /** Where an entry stands, or would stand. */
  private find(entry: AnswerRow): { chunk: number; at: number; place: number } {
    let low = 0;
    let high = this.chunks.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      const last = this.chunks[middle]?.at(-1);
      if (last && this.compare(last.row, entry.row) < 0) low = middle + 1;
      else high = middle;
    }
    const chunk = Math.min(low, Math.max(0, this.chunks.length - 1));
    const entries = this.chunks[chunk] ?? [];
    let from = 0;
    let to = entries.length;
    while (from < to) {
      const middle = (from + to) >> 1;
      const other = entries[middle];
      if (other && this.compare(other.row, entry.row) < 0) from = middle + 1;
      else to = middle;
    }
    let place = from;
    for (let before = 0; before < chunk; before++) place += this.chunks[before]?.length ?? 0;
    return { chunk, at: from, place };
  }
}
