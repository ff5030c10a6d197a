/** A file as a look at the folder finds it. */
export interface DiskFile {
  /** As the disk has it, with `/` between its parts. */
  path: string;
  /** In bytes. */
  size: number;
  /** Another number whenever it was written: on a disk the time, in milliseconds since 1970. */
  modified: number;
}

/** A file that is no note, or none that can be kept in step, and why. */
export interface Ignored {
  path: string;
  why: string;
}

/** A folder of plain files, on the disk or wherever else; what it throws says why something could not be done. */
export interface DiskFolder {
  /**
   * So long after a write from here another program may exchange the file without having seen it, in milliseconds; absent where a place only
   * exchanges what was seen.
   */
  unseenFor?: number;
  /**
   * Every file that can be a note, by one stat each; `warned` are those that were not as they should be.
   *
   * @throws where the folder is not there any more, or may not be read
   */
  look(): Promise<{ files: DiskFile[]; ignored: Ignored[]; warned?: Ignored[] }>;
  /** Null where there is no such file any more. */
  stat(path: string): Promise<DiskFile | null>;
  read(path: string): Promise<{ bytes: Uint8Array; file: DiskFile } | null>;
  /**
   * Writes a file whole or not at all.
   *
   * @param before what the writer saw there; null for no file
   * @returns null where another was there by then, and nothing was written
   */
  write(path: string, bytes: Uint8Array, before: DiskFile | null): Promise<DiskFile | null>;
  /** @returns false where another was there by then, and it stays */
  remove(path: string, before: DiskFile): Promise<boolean>;
}

export const sameFile = (a: Pick<DiskFile, 'size' | 'modified'> | null, b: Pick<DiskFile, 'size' | 'modified'> | null): boolean =>
  a === null || b === null ? a === b : a.size === b.size && a.modified === b.modified;
