/** Most lists are so short that looking through them is cheaper than a set. */
const FEW = 16;

/** Names in the order in which they came, each once. */
export class EachOnce {
  private readonly found: string[] = [];
  private set: Set<string> | null = null;

  constructor(first: readonly string[] = []) {
    for (const name of first) this.add(name);
  }

  add(name: string): void {
    if (this.set ? this.set.has(name) : this.found.includes(name)) return;
    this.found.push(name);
    if (this.set) this.set.add(name);
    else if (this.found.length > FEW) this.set = new Set(this.found);
  }

  /** All of them, in a list without room for more. */
  get all(): string[] {
    return this.found.slice();
  }
}
