/** Where errors go that nobody waits for: the browser's own report, which the page tells and tests hear. */
export function reportProblem(error: unknown): void {
  if (typeof reportError === 'function') reportError(error);
  else console.error(error);
}

/** Who wants to hear of something. One that throws is reported, and neither holds up who tells nor the others. */
export class Listeners<T extends object> {
  private readonly all = new Set<Partial<T>>();

  constructor(private readonly problem: (error: unknown) => void = reportProblem) {}

  /** @returns what stops it */
  add(listener: Partial<T>): () => void {
    this.all.add(listener);
    return () => this.all.delete(listener);
  }

  /** @example listeners.tell((one) => one.changed?.(changes)) */
  tell(call: (listener: Partial<T>) => void): void {
    for (const listener of [...this.all]) {
      try {
        call(listener);
      } catch (error) {
        this.problem(error);
      }
    }
  }
}
