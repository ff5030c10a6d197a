import { type DiskFile, type DiskFolder, type Ignored } from './disk-folder';

/** A file of a folder that a person gave, with its path in it. */
export interface GivenNote {
  path: string;
  size: number;
  modified: number;
  read: () => Promise<Uint8Array>;
}

/** A folder that was given once, to be read: what would be written into it is gathered, for a person to put there. */
export class GivenFolder implements DiskFolder {
  /** What goes out, by path. */
  readonly written = new Map<string, Uint8Array>();
  /** Files whose notes were removed. */
  readonly removed: string[] = [];
  private readonly files: Map<string, GivenNote>;

  constructor(
    given: readonly GivenNote[],
    private readonly ignored: readonly Ignored[] = [],
  ) {
    this.files = new Map(given.map((one) => [one.path, one]));
  }

  look(): Promise<{ files: DiskFile[]; ignored: Ignored[] }> {
    return Promise.resolve({ files: [...this.files.values()].map(fileOf), ignored: [...this.ignored] });
  }

  stat(path: string): Promise<DiskFile | null> {
    const found = this.files.get(path);
    return Promise.resolve(found ? fileOf(found) : null);
  }

  async read(path: string): Promise<{ bytes: Uint8Array; file: DiskFile } | null> {
    const found = this.files.get(path);
    return found ? { bytes: await found.read(), file: fileOf(found) } : null;
  }

  /** Whether it is put there nobody knows: it counts as in step only when it is seen the next time, and until then goes out again. */
  write(path: string, bytes: Uint8Array): Promise<null> {
    this.written.set(path, bytes);
    return Promise.resolve(null);
  }

  remove(path: string): Promise<boolean> {
    this.removed.push(path);
    return Promise.resolve(false);
  }
}

const fileOf = ({ path, size, modified }: GivenNote): DiskFile => ({ path, size, modified });
