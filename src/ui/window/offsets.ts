/** Where each piece of a long list stands, from the heights before it; summed up when it is asked after one was measured. */
export class Offsets {
  private readonly sums: Float64Array;
  private stale = true;

  /**
   * @param heights of all pieces, in pixels, as far as they are known; it takes the array over
   */
  constructor(private readonly heights: Float64Array) {
    this.sums = new Float64Array(heights.length + 1);
  }

  heightOf(index: number): number {
    return this.heights[index] ?? 0;
  }

  measured(index: number, height: number): void {
    this.heights[index] = height;
    this.stale = true;
  }

  /** The distance of a piece from the top; of the one behind the last, the height of all. */
  of(index: number): number {
    return this.summed[index] ?? 0;
  }

  /** The piece that stands at a distance from the top. */
  at(distance: number): number {
    const sums = this.summed;
    let low = 0;
    let high = sums.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((sums[middle] as number) <= distance) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  private get summed(): Float64Array {
    const { heights, sums } = this;
    if (this.stale) for (let at = 0; at < heights.length; at++) sums[at + 1] = (sums[at] as number) + (heights[at] as number);
    this.stale = false;
    return sums;
  }
}
