import type { SealedHead } from './sealed-file';

/** What is known of a sealed file of the desk, as it was seen last. */
export interface DeskFile extends SealedHead {
  /** As the server calls it. */
  name: string;
  /** Of what the server held then. */
  tag: string;
  /** Of what is sealed in it, in bytes. */
  size: number;
  /** Of what is sealed in it. */
  mark: string;
  /** Which identity of the desk it is sealed for, by its generation. */
  generation: number;
}
