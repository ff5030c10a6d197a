/**
 * What this browser keeps for the page beside the notes. A storage that is refused, full or broken never stops anything: what cannot be
 * kept lasts as long as the page, and `refused` says so.
 */
export class DeviceMemory {
  private readonly held = new Map<string, string>();
  /** Whether something could not be kept. */
  refused = false;

  constructor(private readonly storage: () => Storage) {}

  get(key: string): string | null {
    const held = this.held.get(key);
    if (held !== undefined) return held;
    try {
      return this.storage().getItem(key);
    } catch {
      this.refused = true;
      return null;
    }
  }

  /** @returns whether it will still be there when the page comes again */
  set(key: string, value: string): boolean {
    try {
      this.storage().setItem(key, value);
      this.held.delete(key);
      return true;
    } catch {
      this.refused = true;
      this.held.set(key, value);
      return false;
    }
  }

  remove(key: string): void {
    this.held.delete(key);
    try {
      this.storage().removeItem(key);
    } catch {
      this.refused = true;
    }
  }

  /** The keys that begin so. */
  keys(prefix: string): string[] {
    const found = new Set([...this.held.keys()].filter((key) => key.startsWith(prefix)));
    try {
      const storage = this.storage();
      for (let index = 0; index < storage.length; index++) {
        const key = storage.key(index);
        if (key?.startsWith(prefix)) found.add(key);
      }
    } catch {
      this.refused = true;
    }
    return [...found];
  }
}

/** What lasts on this device. */
export const deviceMemory = new DeviceMemory(() => localStorage);

/** What lasts as long as this tab. */
export const tabMemory = new DeviceMemory(() => sessionStorage);
