import type { LentRecord, LentSeen } from './lent-record';

/**
 * Where what is lent is kept: of each text one state, and the changes since. All but `close` reject where the store does not answer or its disk is
 * full; nothing is half done then.
 */
export interface LentStore {
  /** Whether several processes can share it. */
  readonly isShared: boolean;
  record(name: string): Promise<LentRecord | null>;
  keepRecord(name: string, record: LentRecord): Promise<void>;
  seen(name: string): Promise<LentSeen>;
  /** Of what is there no more nothing is kept. */
  keepSeen(name: string, seen: LentSeen): Promise<void>;
  count(): Promise<number>;
  /** What was lent under a name goes, with its text. */
  drop(name: string): Promise<void>;
  /** The states and changes that make up a text, in the form of Yjs, to be held in memory and kept from there. */
  load(name: string): Promise<Uint8Array[]>;
  /** The same, to be looked at alone. */
  read(name: string): Promise<Uint8Array[]>;
  /** Adds a change; it is on the disk when this resolves. */
  append(name: string, change: Uint8Array): Promise<void>;
  /** Keeps a state in the place of the changes that this process knows of. */
  save(name: string, state: Uint8Array): Promise<void>;
  close(): Promise<void>;
}
