import type { Day } from '../calendar/day';
import type { Span } from '../calendar/span';
import type { Link } from '../note/names';
import type { Priority } from './clause';
import type { AddedStatuses, Status } from './status';

/** Something on a line that does not count, said in one sentence; offsets are into the line's words. */
export interface Problem {
  message: string;
  from: number;
  to: number;
}

/** What a task line says by itself, without what it inherits. */
export interface TaskLine {
  /** Where the box's `[` stands. */
  boxFrom: number;
  status: Status;
  /** The character in the box. */
  sign: string;
  /** What stands after the box, trimmed, without the tail. */
  text: string;
  /** Where the tail's brace stands; the length of the line when it has none. */
  tailFrom: number;
  due: Span | null;
  plan: Span | null;
  /** The day until which it rests. */
  start: Day | null;
  /** The repeat as written, without `every`. */
  every: string | null;
  until: Day | null;
  /** Minutes. */
  takes: number | null;
  /** Null is unmarked, which ranks between high and low. */
  priority: Priority | null;
  /** A handle, `nobody`, or null for oneself. */
  owner: string | null;
  asked: string | null;
  remind: string | null;
  ref: string | null;
  needs: readonly string[];
  made: Span | null;
  done: Span | null;
  cancelled: Span | null;
  since: Span | null;
  pushed: readonly Day[];
  /** How many times a repeat was finished, where records of it are not kept as lines. */
  times: number | null;
  key: boolean;
  /** As written, without signs. */
  tags: readonly string[];
  people: readonly string[];
  links: readonly Link[];
  problems: readonly Problem[];
}

/** Settings that change what a text means. */
export interface ReadingSettings {
  /** Minutes that `1d` takes. */
  workingDay: number;
  /** How many days before its day a repeating task without start comes back; null: it never rests. */
  repeatLead?: number | null;
  /** Statuses that notes of kind status add. */
  statuses?: AddedStatuses;
}

/** A task in its note: its own line, where it stands and what it inherits. */
export interface Task extends TaskLine {
  /** From 0; 0 until a note places it, like all that follows. */
  line: number;
  /** The whole line as written. */
  raw: string;
  /** Its place among the items of the note's structure. */
  item: number;
  /** Where its list marker stands. */
  markerFrom: number;
  /** How many list items are around it. */
  depth: number;
  /** The index, among the note's tasks, of the nearest task it is nested in; -1 when none. */
  parent: number;
  /** The words of the headings it stands under, outermost first. */
  headings: readonly string[];
  /** As written, without those on the line itself. */
  inheritedTags: readonly string[];
  inheritedPeople: readonly string[];
  /** Targets of links, as written. */
  inheritedLinks: readonly string[];
}
