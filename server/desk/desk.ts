import { randomBytes } from 'node:crypto';
import type { DeskFiles, ListedFile } from './desk-files';

/** What changed in a desk since a look at it. */
export interface Changes {
  /** To be given at the next look. */
  token: string;
  /** Whether all files are listed, and not only those that changed. */
  whole: boolean;
  files: ListedFile[];
  /** Names of files that are gone. */
  gone: string[];
}

/** So many changes are remembered; who looked before is given all files. */
const REMEMBERED = 20_000;

/** A desk as the server knows it: sealed files, their number and size, and the order in which they changed. */
export class Desk {
  /** Another one each time the server begins: what it does not remember it does not claim to know. */
  private readonly began = randomBytes(6).toString('hex');
  private count = 0;
  private readonly changed: string[] = [];
  private sizes: Promise<{ bytes: number; files: number }> | null = null;

  constructor(
    private readonly files: DeskFiles,
    private readonly most: { bytes: number; files: number },
    /** Whether others may change the files too: then what changed is found by looking at all of them. */
    private readonly isShared: boolean,
  ) {}

  /** What changed since a token; without one, or with one that is not known any more, all files. */
  async changes(since: string | null): Promise<Changes> {
    const from = this.placeOf(since);
    // Taken before the look: what changes meanwhile is told twice rather than never.
    const token = `${this.began}.${this.count}`;
    if (from === this.count && !this.isShared) return { token, whole: false, files: [], gone: [] };
    const files = await this.files.list();
    if (from === null || this.isShared) return { token, whole: true, files, gone: [] };
    const names = new Set(this.changed.slice(this.changed.length - (this.count - from)));
    const there = files.filter(({ name }) => names.has(name));
    const present = new Set(there.map(({ name }) => name));
    return { token, whole: false, files: there, gone: [...names].filter((name) => !present.has(name)) };
  }

  read(name: string): Promise<{ bytes: Buffer; tag: string } | null> {
    return this.files.read(name);
  }

  /** @returns null where another file is there, `full` where the desk has no room for it */
  async write(name: string, bytes: Buffer, before: string | null): Promise<ListedFile | null | 'full'> {
    if (!(await this.hasRoom(bytes.length, before === null))) return 'full';
    const file = await this.files.write(name, bytes, before);
    if (!file) return null;
    const size = await this.size();
    size.bytes += bytes.length;
    if (before === null) size.files += 1;
    this.note(name);
    return file;
  }

  async remove(name: string, before: string): Promise<boolean> {
    const isGone = await this.files.remove(name, before);
    if (isGone) {
      this.sizes = null;
      this.note(name);
    }
    return isGone;
  }

  drop(): Promise<void> {
    return this.files.drop();
  }

  /** What took the place of something smaller or larger is counted whole: only where that seems too much is it counted anew. */
  private async hasRoom(bytes: number, isNew: boolean): Promise<boolean> {
    const fits = async (): Promise<boolean> => {
      const size = await this.size();
      return size.bytes + bytes <= this.most.bytes && (!isNew || size.files < this.most.files);
    };
    if (await fits()) return true;
    this.sizes = null;
    return fits();
  }

  private size(): Promise<{ bytes: number; files: number }> {
    this.sizes ??= this.files.list().then((files) => ({
      bytes: files.reduce((sum, { size }) => sum + size, 0),
      files: files.length,
    }));
    this.sizes.catch(() => (this.sizes = null));
    return this.sizes;
  }

  private note(name: string): void {
    this.count += 1;
    this.changed.push(name);
    if (this.changed.length > REMEMBERED) this.changed.splice(0, REMEMBERED / 2);
  }

  /** How many changes were there at a token; null where that is not known. */
  private placeOf(token: string | null): number | null {
    const [began, count] = (token ?? '').split('.');
    const place = Number(count);
    if (began !== this.began || !Number.isInteger(place) || place > this.count) return null;
    return this.count - place > this.changed.length ? null : place;
  }
}
