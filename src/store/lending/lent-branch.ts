import type { LentPart } from '../../core/sharing/lend/lent-part';
import type { LentRights, LentState } from '../../core/sharing/lend/lent-messages';
import type { KeptLine } from '../../core/sharing/lend/put-in';

/** Which part of a note is lent. */
export interface LentOfNote {
  is: 'part';
  /** The id of the note, and where it was last. */
  note: string;
  path: string;
  part: LentPart;
  /** By which a task is found, wherever it goes; null for other parts. */
  ref: string | null;
}

/** The answer of a gather is lent. */
export interface LentList {
  is: 'list';
  /** The gather as it is stored, and the note that it stands in; null for none. */
  text: string;
  path: string | null;
}

/** A row of a list that is lent: by its id the borrower’s page names it. */
export interface LentRow {
  id: string;
  path: string;
  /** From 0. */
  line: number;
  /** The whole line. */
  raw: string;
}

/**
 * Why what borrowers write does not come into the note: it is gone, more than one place could be meant, what stands outside would change, or the
 * server knows nothing of it any more.
 */
export type LentTrouble = 'gone' | 'asks' | 'swallows' | 'lost';

/** What is lent, as it is kept here. */
export interface LentBranch {
  /** The digest of the address, by which the server knows it. */
  name: string;
  /** 128 random bits that make the address, and as many that only its owner has. */
  address: string;
  key: string;
  what: LentOfNote | LentList;
  /** What its owner calls it, and to whom it is lent; empty where that is not said. */
  title: string;
  who: string;
  rights: LentRights;
  /** The end of its last day, in milliseconds since 1970; null for none. */
  until: number | null;
  hasWord: boolean;
  since: number;
  /** The text of the note when both sides agreed last. */
  text: string;
  /** What both agreed on, in the form of Yjs. */
  state: Uint8Array;
  gone: readonly KeptLine[];
  rows: readonly LentRow[];
  trouble: LentTrouble | null;
  /** It is being called back: what was written last is taken in, and then it goes. */
  ended: boolean;
  /** What the server said last; null before it said anything. */
  there: LentState | null;
  /** Up to when borrowers’ changes were heard, in milliseconds since 1970. */
  heard: number;
}
