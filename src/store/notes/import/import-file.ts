/** A file from outside; `bytes` is null when it could not be read, and `problem` says why. */
export interface ImportFile {
  path: string;
  bytes: Uint8Array | null;
  problem?: string;
  /** In the place of bytes, lines that go to the end of a note that may be here already. */
  lines?: readonly string[];
}
