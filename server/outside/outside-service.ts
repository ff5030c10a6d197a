import type { OutsideChanges, OutsideListing, OutsideTask, OutsideWrite, Put } from '../../src/core/sharing/outside/outside-task';

/**
 * A service that keeps lists of tasks, by whatever protocol it speaks. All throw an `OutsideFailure` where it does not do what it should.
 */
export interface OutsideService {
  lists(): Promise<OutsideListing[]>;
  /** What changed since a token; with none, or one that is too old, everything that is there. */
  changes(list: string, token: string | null): Promise<OutsideChanges>;
  /** Those of some tasks that are there. */
  tasks(list: string, ids: readonly string[]): Promise<OutsideTask[]>;
  put(list: string, write: OutsideWrite): Promise<Put>;
  /** @returns false where something else is there than the writer saw */
  remove(list: string, id: string, tag: string): Promise<boolean>;
}
