/** A file of a desk as a list names it. */
export interface ListedFile {
  name: string;
  /** Its entity tag, without quotes: another one for each content. */
  tag: string;
  /** In bytes. */
  size: number;
}

/** What one desk holds, wherever it lies: sealed files by name, each changed only by who knows what is there. */
export interface DeskFiles {
  list(): Promise<ListedFile[]>;
  read(name: string): Promise<{ bytes: Buffer; tag: string } | null>;
  /**
   * Writes a file whole or not at all.
   *
   * @param before the tag that the writer saw; null for no file
   * @returns null where something else is there, and nothing was written
   */
  write(name: string, bytes: Buffer, before: string | null): Promise<ListedFile | null>;
  /** @returns false where something else is there, and it stays */
  remove(name: string, before: string): Promise<boolean>;
  /** Removes all of it. */
  drop(): Promise<void>;
}
