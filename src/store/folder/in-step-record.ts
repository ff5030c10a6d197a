import type { DiskFile } from './disk-folder';

/** A note and its file as they were the same last. */
export interface InStep extends DiskFile {
  key: string;
  /** Of what both held. */
  mark: string;
}
