import * as Y from 'yjs';
import type { LentStore } from './lent-store';

/** After so long a change that could not be kept is tried again, in milliseconds. */
const AGAIN = 1000;

/**
 * Brings each change to the disk soon after it came, those of one text in their order and together where they wait together. What is not kept yet is
 * still tried as long as the process runs.
 */
export class KeptChanges {
  private readonly waiting = new Map<string, Uint8Array[]>();
  private readonly working = new Map<string, Promise<void>>();
  private readonly forgotten = new Set<string>();
  private isClosed = false;

  constructor(
    private readonly store: LentStore,
    /** Hears why a change could not be kept. */
    private readonly problem: (error: unknown) => void,
  ) {}

  add(name: string, change: Uint8Array): void {
    this.waiting.set(name, [...(this.waiting.get(name) ?? []), change]);
    void this.work(name);
  }

  /** Resolves when all that came so far is on the disk. */
  async settled(name: string): Promise<void> {
    while (this.waiting.has(name) || this.working.has(name)) await this.work(name);
  }

  /** What waits for the disk goes with its text; resolves when nothing of it is being written. */
  async forget(name: string): Promise<void> {
    this.waiting.delete(name);
    this.forgotten.add(name);
    await this.working.get(name);
    this.forgotten.delete(name);
  }

  async close(): Promise<void> {
    this.isClosed = true;
    await Promise.all([...this.working.values()]);
  }

  private work(name: string): Promise<void> {
    const present = this.working.get(name);
    if (present) return present;
    const working = this.drain(name).finally(() => this.working.delete(name));
    this.working.set(name, working);
    return working;
  }

  private async drain(name: string): Promise<void> {
    for (let some = this.waiting.get(name); some; some = this.waiting.get(name)) {
      this.waiting.delete(name);
      if (this.forgotten.has(name)) return;
      try {
        await this.store.append(name, some.length === 1 && some[0] ? some[0] : Y.mergeUpdates(some));
      } catch (error) {
        if (this.forgotten.has(name)) return;
        this.problem(error);
        this.waiting.set(name, [...some, ...(this.waiting.get(name) ?? [])]);
        if (this.isClosed) return;
        await new Promise<void>((resolve) => setTimeout(resolve, AGAIN).unref());
      }
    }
  }
}
