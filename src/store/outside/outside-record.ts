import type { BothChanged, LastInStep } from '../../core/sharing/outside/merged-task';
import type { OutsideTrouble } from '../../core/sharing/outside/outside-task';
import type { SharedField, SharedTask } from '../../core/sharing/outside/shared-task';
import type { FaceMore } from '../../core/sharing/outside/vtodo';

/** An account of an outside service; its key is kept on this device alone. */
export interface OutsideAccount {
  protocol: 'caldav';
  address: string;
  user: string;
  key: string;
}

/** A field that both sides changed, as it is told. */
export interface ToldBoth extends BothChanged {
  words: string;
  at: number;
}

/** A line that says it is joined, and of which nobody knows with what: it lost its `ref`, and several tasks there are called so. */
export interface LostLine {
  path: string;
  line: number;
  raw: string;
  words: string;
  /** The refs of what it may be. */
  may: string[];
}

/** An outside list that is followed here. */
export interface OutsideList {
  /** What it is called here, also in the clause `joined`. */
  name: string;
  /** What it is called there. */
  title: string;
  account: OutsideAccount;
  /** Its address there. */
  id: string;
  /** Gives what changed since; null before the first look. */
  token: string | null;
  /** When it was looked at last with success, in milliseconds since 1970; null for never. */
  at: number | null;
  /** What went wrong with the last look; null for nothing. */
  trouble: OutsideTrouble | null;
  /** Until when it asked to be left alone, in milliseconds since 1970. */
  until: number | null;
  /** What both sides changed, the newest first. */
  told: ToldBoth[];
  lost: LostLine[];
  /** Lines that bear the identity of another one, and what could not be done to a line, in plain words. */
  problems: { path: string; why: string }[];
}

/** What is asked of a person: something is gone on one side. */
export type OutsideAsks = 'gone there' | 'gone here';

/** A task of an outside list, as it was seen last, and the line that is its other face. */
export interface OutsideRecord {
  /** The name of its list and its `ref`. */
  key: string;
  list: string;
  ref: string;
  /** Its address there; null until it is made. */
  id: string | null;
  uid: string;
  tag: string | null;
  source: string | null;
  there: SharedTask | null;
  /** When it was changed there, by our clock, in milliseconds since 1970. */
  modified: number | null;
  /** What both sides said when they were in step last; null before they were. */
  last: LastInStep | null;
  /** What its line says, as it was read last; null before there was one. */
  here: SharedTask | null;
  /** When fields were first seen to be changed here. */
  noticed: Partial<Record<SharedField, number>>;
  /** Whether a line of a note is its other face; else the line in the list’s own note is. */
  joined: boolean;
  /** Where that line was seen last. */
  path: string | null;
  /** What the line in the list’s own note was made to say last; null before there was one. */
  own: SharedTask | null;
  /** The line that is being ticked since it was done there, as it was before; so that a repeat goes on once. */
  ticking: string | null;
  /** What stands there besides: as it is to be, as it was written, and what is read there now. */
  more: FaceMore | null;
  written: FaceMore | null;
  description: string;
  isGone: boolean;
  /** Whether what lies there now cannot be read. */
  isUnread: boolean;
  asks: OutsideAsks | null;
  /** Whether a person took it off the list here, so that it goes there too. */
  dropped: boolean;
}

export const keyOf = (list: string, ref: string): string => `${list} ${ref}`;

/** What is known of a task before anything is. */
export const newRecord = (list: string, ref: string, uid: string): OutsideRecord => ({
  ...{ key: keyOf(list, ref), list, ref, uid, id: null, tag: null, source: null, there: null, modified: null, last: null, here: null },
  ...{ noticed: {}, joined: false, path: null, own: null, ticking: null, more: null, written: null, description: '' },
  ...{ isGone: false, isUnread: false, asks: null, dropped: false },
});
