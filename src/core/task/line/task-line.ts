import type { Day } from '../../calendar/day';
import type { Span } from '../../calendar/span';
import { type Link, sameName } from '../../note/names/names';
import type { Priority } from './clause';
import type { AddedStatuses, Status } from './status';

/** Something on a line that does not count, said in one sentence; offsets are into the line's words. */
export interface Problem {
  message: string;
  from: number;
  to: number;
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

/** What few tasks say. */
export interface RareClauses {
  /** The repeat as written, without `every`. */
  every: string | null;
  /** The last day of the repeat. */
  until: Day | null;
  /** The last day on which it applies. */
  lapses: Day | null;
  /** A handle, `nobody`, or null for oneself. */
  owner: string | null;
  asked: string | null;
  remind: string | null;
  ref: string | null;
  needs: readonly string[];
  made: Span | null;
  cancelled: Span | null;
  since: Span | null;
  pushed: readonly Day[];
  /** How many times a repeat was finished, where records of it are not kept as lines. */
  times: number | null;
  key: boolean;
  /** An open question: done means answered. */
  question: boolean;
  /** The outside list with which it is kept in step, and the one onto which it was put once. */
  joined: string | null;
  sent: string | null;
  problems: readonly Problem[];
}

const NONE: readonly never[] = [];

function noClauses(): RareClauses {
  return {
    every: null,
    until: null,
    lapses: null,
    owner: null,
    asked: null,
    remind: null,
    ref: null,
    needs: NONE,
    made: null,
    cancelled: null,
    since: null,
    pushed: NONE,
    times: null,
    key: false,
    question: false,
    joined: null,
    sent: null,
    problems: NONE,
  };
}

/** Shared by all tasks that say nothing rare. */
const NOTHING_RARE = noClauses();

/** What a place in a note hands down to the tasks that stand there; shared by all of them. */
export interface Around {
  /** Tags and people as written, without signs. */
  tags: readonly string[];
  people: readonly string[];
  /** Targets of links, as written. */
  links: readonly string[];
  /** The words of the headings it stands under, outermost first. */
  headings: readonly string[];
}

export const NOTHING_AROUND: Around = { tags: NONE, people: NONE, links: NONE, headings: NONE };

/**
 * A task in its note: what its line says, where it stands and what it inherits. A class, its rare clauses apart and its line
 * cut out of the text only when it is asked for, because a library has a hundred thousand: what each costs is what reading costs.
 */
export class Task {
  /** Where the tail's brace stands; the length of the line when it has none. */
  tailFrom: number;
  due: Span | null = null;
  plan: Span | null = null;
  /** The day until which it rests. */
  start: Day | null = null;
  /** Minutes. */
  takes: number | null = null;
  /** Null is unmarked, which ranks between high and low. */
  priority: Priority | null = null;
  done: Span | null = null;
  /** As written, without signs. */
  tags: readonly string[] = NONE;
  people: readonly string[] = NONE;
  links: readonly Link[] = NONE;
  /** From 0; 0 until a note places it, like all that follows. */
  line = 0;
  /** Its place among the items of the note's structure. */
  item = 0;
  /** Where its list marker stands. */
  markerFrom = 0;
  /** How many list items are around it. */
  depth = 0;
  /** The index, among the note's tasks, of the nearest task it is nested in; -1 when none. */
  parent = -1;
  around: Around = NOTHING_AROUND;
  private rare: RareClauses = NOTHING_RARE;

  constructor(
    private readonly source: string,
    /** Where its line begins and ends in the text. */
    readonly lineFrom: number,
    readonly lineTo: number,
    /** Where the box's `[` stands in the line. */
    readonly boxFrom: number,
    /** The character in the box. */
    readonly sign: string,
    readonly status: Status,
  ) {
    this.tailFrom = lineTo - lineFrom;
  }

  /** The whole line as written. */
  get raw(): string {
    return this.source.slice(this.lineFrom, this.lineTo);
  }

  /** What stands after the box, trimmed, without the tail. */
  get text(): string {
    const { lineFrom } = this;
    return this.source.slice(lineFrom + this.boxFrom + this.sign.length + 2, lineFrom + this.tailFrom).trim();
  }

  /** The words of the headings it stands under, outermost first. */
  get headings(): readonly string[] {
    return this.around.headings;
  }
  /** As written, without those on the line itself. */
  get inheritedTags(): readonly string[] {
    return without(this.around.tags, this.tags);
  }
  get inheritedPeople(): readonly string[] {
    return without(this.around.people, this.people);
  }
  /** Targets of links, as written. */
  get inheritedLinks(): readonly string[] {
    return this.links.length === 0 ? this.around.links : without(this.around.links, targetsOf(this.links));
  }

  get every(): string | null {
    return this.rare.every;
  }
  get until(): Day | null {
    return this.rare.until;
  }
  get lapses(): Day | null {
    return this.rare.lapses;
  }
  get owner(): string | null {
    return this.rare.owner;
  }
  get asked(): string | null {
    return this.rare.asked;
  }
  get remind(): string | null {
    return this.rare.remind;
  }
  get ref(): string | null {
    return this.rare.ref;
  }
  get needs(): readonly string[] {
    return this.rare.needs;
  }
  get made(): Span | null {
    return this.rare.made;
  }
  get cancelled(): Span | null {
    return this.rare.cancelled;
  }
  get since(): Span | null {
    return this.rare.since;
  }
  get pushed(): readonly Day[] {
    return this.rare.pushed;
  }
  get times(): number | null {
    return this.rare.times;
  }
  get key(): boolean {
    return this.rare.key;
  }
  get question(): boolean {
    return this.rare.question;
  }
  get joined(): string | null {
    return this.rare.joined;
  }
  get sent(): string | null {
    return this.rare.sent;
  }
  get problems(): readonly Problem[] {
    return this.rare.problems;
  }

  /** Takes back every clause: what was read turned out to be none. */
  unsay(): void {
    this.due = this.plan = this.done = null;
    this.start = this.takes = this.priority = null;
    this.rare = NOTHING_RARE;
  }

  /** Says one of the rare clauses. */
  say<K extends keyof RareClauses>(name: K, value: RareClauses[K]): void {
    if (this.rare === NOTHING_RARE) this.rare = noClauses();
    this.rare[name] = value;
  }
}

export function targetsOf(links: readonly Link[]): string[] {
  return links.map((link) => link.target);
}

/** Inherited names without those that a line itself bears; the same list when it bears none of them. */
export function without(inherited: readonly string[], own: readonly string[]): readonly string[] {
  if (own.length === 0 || inherited.length === 0) return inherited;
  for (const name of inherited) {
    if (own.some((one) => sameName(one, name))) return inherited.filter((other) => !own.some((one) => sameName(one, other)));
  }
  return inherited;
}
