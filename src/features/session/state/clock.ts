import { readIsoDay } from '../../../core/calendar/day';
import { type Now, nowOfDate, readTime } from '../../../core/calendar/span';

/** The one source of “now”. It tells when the minute turned, also after the machine slept. */
export class Clock {
  private readonly listeners = new Set<() => void>();
  private shown: Now;
  private override: Now | null = null;

  constructor() {
    this.shown = nowOfDate(new Date());
    setInterval(() => this.check(), 5000);
    document.addEventListener('visibilitychange', () => this.check());
  }

  /** A stable value until the minute turns, so that React may compare it. */
  readonly now = (): Now => this.shown;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Stops the clock at `2026-11-23` or `2026-11-23T09:30`; ignores what is neither. */
  pretend(words: string): void {
    const day = readIsoDay(words.slice(0, 10));
    if (day === null) return;
    this.override = { day, minute: readTime(words.slice(11, 16)) ?? 9 * 60 };
    this.check();
  }

  private check(): void {
    const next = this.override ?? nowOfDate(new Date());
    if (next.day === this.shown.day && next.minute === this.shown.minute) return;
    this.shown = next;
    for (const listener of this.listeners) listener();
  }
}
