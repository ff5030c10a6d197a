import { type DiskFile, type DiskFolder, type Ignored, sameFile } from './disk-folder';

/** A folder in memory, for tests: as a disk would have it, with a clock that moves on with each write. */
export class MemoryFolder implements DiskFolder {
  unseenFor?: number;
  readonly files = new Map<string, { bytes: Uint8Array; modified: number }>();
  readonly reads: string[] = [];
  ignored: Ignored[] = [];
  /** What is thrown when a file is written; null for nothing. */
  refuses: ((path: string) => Error | null) | null = null;
  away = false;
  private time = 1;

  /** Writes by hand, as another program does. */
  put(path: string, text: string): void {
    this.files.set(path, { bytes: new TextEncoder().encode(text), modified: this.time++ });
  }

  rename(from: string, to: string): void {
    const file = this.files.get(from);
    if (!file) return;
    this.files.delete(from);
    this.files.set(to, file);
  }

  text(path: string): string | null {
    const file = this.files.get(path);
    return file ? new TextDecoder('utf-8', { ignoreBOM: true }).decode(file.bytes) : null;
  }

  look(): Promise<{ files: DiskFile[]; ignored: Ignored[] }> {
    if (this.away) return Promise.reject(new DOMException('The disk is away.', 'NotFoundError'));
    return Promise.resolve({ files: [...this.files.keys()].map((path) => this.file(path)), ignored: this.ignored });
  }

  stat(path: string): Promise<DiskFile | null> {
    return Promise.resolve(this.files.has(path) ? this.file(path) : null);
  }

  read(path: string): Promise<{ bytes: Uint8Array; file: DiskFile } | null> {
    this.reads.push(path);
    const found = this.files.get(path);
    return Promise.resolve(found ? { bytes: found.bytes, file: this.file(path) } : null);
  }

  write(path: string, bytes: Uint8Array, before: DiskFile | null): Promise<DiskFile | null> {
    const refusal = this.refuses?.(path) ?? null;
    if (refusal) return Promise.reject(refusal);
    if (!sameFile(this.files.has(path) ? this.file(path) : null, before)) return Promise.resolve(null);
    this.files.set(path, { bytes, modified: this.time++ });
    return Promise.resolve(this.file(path));
  }

  remove(path: string, before: DiskFile): Promise<boolean> {
    if (!sameFile(this.files.has(path) ? this.file(path) : null, before)) return Promise.resolve(false);
    this.files.delete(path);
    return Promise.resolve(true);
  }

  private file(path: string): DiskFile {
    const { bytes, modified } = this.files.get(path) as { bytes: Uint8Array; modified: number };
    return { path, size: bytes.length, modified };
  }
}
