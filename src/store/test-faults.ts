import type { RecadoDatabase } from './notes/database';
import type { NoteStore } from './notes/note-store';
import type { NoteReader, Portion } from './notes/note-source';

/** What the browser says when there is no more room. */
const FULL = (): Error => Object.assign(new Error('full'), { name: 'QuotaExceededError' });

/** What can go wrong on a desk, each until it is taken back: for tests of the store, of what is written in, and of the engine. */
export class Faults {
  /** How many of the next writes to the disk fail; each takes its whole transaction with it. */
  failing = 0;
  /** How many writes failed. */
  failed = 0;
  private letGo: (() => void) | null = null;
  private held: Promise<void> | null = null;

  /** Writes of a database fail as long as they should; to be called before it is opened. */
  plague(db: RecadoDatabase): void {
    db.use({
      stack: 'dbcore',
      name: 'faults',
      create: (core) => ({
        ...core,
        table: (name) => {
          const table = core.table(name);
          return { ...table, mutate: (request) => (this.takesWrite() ? Promise.reject(FULL()) : table.mutate(request)) };
        },
      }),
    });
  }

  private takesWrite(): boolean {
    if (this.failing === 0) return false;
    this.failing--;
    this.failed++;
    return true;
  }

  /** A listener of a store that throws at whatever it is told. */
  breakListener(store: NoteStore): () => void {
    const broken = (): never => {
      throw new Error('broken');
    };
    return store.listen({ changed: broken, stepped: broken, writing: broken, valueChanged: broken });
  }

  /** From now on portions of notes wait, until `bringPortions`. */
  holdPortions(): void {
    this.held ??= new Promise((resolve) => (this.letGo = resolve));
  }

  bringPortions(): void {
    this.letGo?.();
    this.held = this.letGo = null;
  }

  /** Reads notes as another reader does, each portion as late as it is held. */
  late(reader: NoteReader, size = 1): NoteReader {
    const portions = this.portions.bind(this, reader, size);
    return { portions };
  }

  private async *portions(reader: NoteReader, size: number): AsyncGenerator<Portion> {
    for await (const portion of reader.portions(size)) {
      await this.held;
      yield portion;
    }
  }
}
