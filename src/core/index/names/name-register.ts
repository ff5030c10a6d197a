import { foldName } from '../../note/names/names';

/** The names that notes use: how each was written first, and by how many notes. */
export class NameRegister {
  /** Grows whenever a name comes or goes. */
  version = 0;
  private readonly names = new Map<string, { written: string; notes: number }>();

  add(names: readonly string[]): void {
    for (const name of names) {
      const folded = foldName(name);
      const found = this.names.get(folded);
      if (found) found.notes++;
      else {
        this.names.set(folded, { written: name, notes: 1 });
        this.version++;
      }
    }
  }

  remove(names: readonly string[]): void {
    for (const name of names) {
      const folded = foldName(name);
      const found = this.names.get(folded);
      if (found && --found.notes === 0) {
        this.names.delete(folded);
        this.version++;
      }
    }
  }

  has(folded: string): boolean {
    return this.names.has(folded);
  }

  /** Each name, folded and as written, with how many notes use it. */
  *all(): Generator<[folded: string, written: string, notes: number]> {
    for (const [folded, { written, notes }] of this.names) yield [folded, written, notes];
  }
}
