import { DeskFailure, type DeskTrouble } from './desk-failure';
import type { DeskRemote, RemoteChanges } from './desk-remote';

/** A server in memory, for tests: with old copies of itself, and faults on demand. */
export class MemoryServer {
  private files = new Map<string, { bytes: Uint8Array; tag: string }>();
  private copy: Map<string, { bytes: Uint8Array; tag: string }> | null = null;
  private changed: string[] = [];
  private began = 0;
  private tags = 0;

  names(): string[] {
    return [...this.files.keys()].sort();
  }

  makeCopy(): void {
    this.copy = new Map(this.files);
  }

  /** It goes back to the copy, as after a disk that broke. */
  restore(): void {
    if (!this.copy) return;
    this.files = new Map(this.copy);
    this.restart();
  }

  /** It forgets what changed when, as a process that begins anew. */
  restart(): void {
    this.began += 1;
    this.changed = [];
  }

  lose(name: string): void {
    this.files.delete(name);
    this.restart();
  }

  /** Half of a file is gone. */
  cut(name: string): void {
    const file = this.files.get(name);
    if (!file) return;
    this.files.set(name, { bytes: file.bytes.slice(0, file.bytes.length / 2), tag: this.newTag() });
    this.restart();
  }

  /** One file is given in the place of another. */
  swap(name: string, other: string): void {
    const file = this.files.get(other);
    if (!file) return;
    this.files.set(name, { bytes: file.bytes, tag: this.newTag() });
    this.restart();
  }

  /** The server as a device reaches it; what `fails` gives is thrown, and `lost` is asked whether an answer to a write is lost on its way. */
  remote(fails: () => DeskTrouble | null = () => null, lost: () => boolean = () => false): DeskRemote {
    const ready = async (): Promise<void> => {
      await Promise.resolve();
      const trouble = fails();
      if (trouble) throw new DeskFailure(trouble);
    };
    return {
      changes: async (since) => {
        await ready();
        return this.changesSince(since);
      },
      get: async (name) => {
        await ready();
        return this.files.get(name) ?? null;
      },
      put: async (name, bytes, before) => {
        await ready();
        if ((this.files.get(name)?.tag ?? null) !== before) return null;
        const tag = this.newTag();
        this.files.set(name, { bytes, tag });
        this.changed.push(name);
        if (lost()) throw new DeskFailure('away');
        return tag;
      },
      grant: ready,
      revoke: ready,
      drop: ready,
    };
  }

  private changesSince(since: string | null): RemoteChanges {
    const token = `${this.began}.${this.changed.length}`;
    const [began, count] = (since ?? '').split('.');
    const isWhole = began !== String(this.began);
    const names = isWhole ? [...this.files.keys()] : [...new Set(this.changed.slice(Number(count)))];
    return {
      ...{ token, whole: isWhole, gone: names.filter((name) => !this.files.has(name)) },
      files: names.flatMap((name) => {
        const file = this.files.get(name);
        return file ? [{ name, tag: file.tag }] : [];
      }),
    };
  }

  private newTag(): string {
    return `tag${(this.tags += 1)}`;
  }
}
