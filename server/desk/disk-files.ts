import { createHash } from 'node:crypto';
import { mkdir, readFile, readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { inTurn } from '../parts/in-turn';
import { UNFINISHED, writeWhole } from '../parts/write-whole';
import type { DeskFiles, ListedFile } from './desk-files';

/** So many files are read at once when a folder is looked at first. */
const AT_ONCE = 32;

const tagOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex').slice(0, 32);

/** The files of a desk in a folder of this machine. What they are is read once, and known from then on: nobody else writes there. */
export class DiskFiles implements DeskFiles {
  private readonly turn = inTurn();
  private known: Promise<Map<string, ListedFile>> | null = null;

  constructor(private readonly folder: string) {}

  async list(): Promise<ListedFile[]> {
    return [...(await this.files()).values()];
  }

  async read(name: string): Promise<{ bytes: Buffer; tag: string } | null> {
    if (!(await this.files()).has(name)) return null;
    const bytes = await readFile(path.join(this.folder, name)).catch(() => null);
    return bytes && { bytes, tag: tagOf(bytes) };
  }

  write(name: string, bytes: Buffer, before: string | null): Promise<ListedFile | null> {
    return this.turn(async () => {
      const files = await this.files();
      if ((files.get(name)?.tag ?? null) !== before) return null;
      await mkdir(this.folder, { recursive: true });
      await writeWhole(path.join(this.folder, name), bytes);
      const file = { name, tag: tagOf(bytes), size: bytes.length };
      files.set(name, file);
      return file;
    });
  }

  remove(name: string, before: string): Promise<boolean> {
    return this.turn(async () => {
      const files = await this.files();
      if (files.get(name)?.tag !== before) return false;
      await rm(path.join(this.folder, name), { force: true });
      return files.delete(name);
    });
  }

  drop(): Promise<void> {
    return this.turn(async () => {
      await rm(this.folder, { recursive: true, force: true });
      this.known = Promise.resolve(new Map());
    });
  }

  private files(): Promise<Map<string, ListedFile>> {
    this.known ??= this.look().catch((error: unknown) => {
      // A disk that cannot be read now is looked at again.
      this.known = null;
      throw error;
    });
    return this.known;
  }

  private async look(): Promise<Map<string, ListedFile>> {
    await mkdir(this.folder, { recursive: true });
    const names = await readdir(this.folder);
    const files = new Map<string, ListedFile>();
    for (let at = 0; at < names.length; at += AT_ONCE)
      await Promise.all(
        names.slice(at, at + AT_ONCE).map(async (name) => {
          // The machine stopped while it was written: what was there before stands beside it.
          if (name.endsWith(UNFINISHED)) return rm(path.join(this.folder, name), { force: true });
          const bytes = await readFile(path.join(this.folder, name));
          files.set(name, { name, tag: tagOf(bytes), size: bytes.length });
        }),
      );
    return files;
  }
}
