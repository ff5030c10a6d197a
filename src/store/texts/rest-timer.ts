/**
 * Does something once nothing was touched for a while. One timer serves a run of touches: to stop and set one at each key stroke
 * costs more than to look again.
 *
 * @example const timer = new RestTimer(120, () => save()); timer.touch();
 */
export class RestTimer {
  private timer: ReturnType<typeof setTimeout> | null = null;
  private last = 0;
  private since = 0;

  /**
   * @param rest how long nothing is touched before, in milliseconds
   * @param longest how long at most it waits while it is touched again and again, in milliseconds
   */
  constructor(
    private readonly rest: number,
    private readonly act: () => void,
    private readonly longest = Infinity,
  ) {}

  touch(): void {
    this.last = performance.now();
    if (this.timer !== null) return;
    this.since = this.last;
    this.wait(Math.min(this.rest, this.longest));
  }

  stop(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
  }

  private wait(time: number): void {
    this.timer = setTimeout(() => {
      this.timer = null;
      const left = Math.min(this.last + this.rest, this.since + this.longest) - performance.now();
      if (left > 1) this.wait(left);
      else this.act();
    }, time);
  }
}
