import type { FaceChange, OutsideFace } from './vtodo';

/**
 * Why an outside service did not do what it was asked.
 *
 * - `refused`: it does not know the key, or does not let it do this
 * - `away`: it is not reached, or does not answer in time
 * - `busy`: it asks to come later
 * - `broken`: it answers with what is none
 * - `missing`: there is no such list
 * - `barred`: this server calls no such address
 */
export type OutsideTrouble = 'refused' | 'away' | 'busy' | 'broken' | 'missing' | 'barred';

/** A list of an outside service. */
export interface OutsideListing {
  /** Its address there. */
  id: string;
  title: string;
}

/** What changed in a list. */
export interface OutsideChanges {
  /** Gives what changed from now on. */
  token: string;
  /** Whether `changed` names everything that is there, and what it does not name is gone. */
  whole: boolean;
  changed: { id: string; tag: string }[];
  gone: string[];
}

/** A task as it stands on an outside list. */
export interface OutsideTask {
  /** Its address there. */
  id: string;
  /** Another one for each text of it. */
  tag: string;
  /** As its service keeps it: what is changed is changed in it, and all else stays. */
  source: string;
  face: OutsideFace;
}

/** A change of one task; one without a source and a tag is made. */
export interface OutsideWrite {
  id: string | null;
  uid: string;
  tag: string | null;
  source: string | null;
  change: FaceChange;
}

/** What became of a write: where something else is there than the writer saw, what it is, as far as it is known. */
export type Put = { is: 'done'; task: OutsideTask } | { is: 'other'; task: OutsideTask | null };

/** The same of many writes: what is wrong with one keeps no other out. */
export type PutResult = Put | { is: 'failed'; trouble: OutsideTrouble };
export type RemoveResult = { is: 'done' } | { is: 'other' } | { is: 'failed'; trouble: OutsideTrouble };
