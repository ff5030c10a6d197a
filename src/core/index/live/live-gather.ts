import type { DateStyle } from '../../calendar/day-name';
import {
  type Answer,
  type AnswerGroup,
  type AnswerRow,
  type GroupPlace,
  NO_PLACE,
  type Plan,
  compareGroups,
  groupOf,
  inGroups,
  limitedAnswer,
  nestSteps,
  planGather,
} from '../../gather/answer/answer';
import { type Sums, addToSums, noSums, sumsOf, totalsFrom } from '../../gather/answer/sums';
import { anyPart } from '../../gather/language/any-part';
import type { Gather, GatherContext, GatherError } from '../../gather/language/ast';
import type { NameLookup } from '../../gather/answer/evaluate';
import { parseGather } from '../../gather/language/parse';
import { isResting } from '../../gather/answer/state';
import type { Row } from '../../gather/rows/row';
import { SortedEntries } from '../names/sorted-entries';

/** What happened to the rows of a group: at a place some went, or one came. */
export interface Splice {
  at: number;
  entry: AnswerRow | null;
}

/** A group of a gather that is kept answered. */
export interface LiveGroup extends GroupPlace {
  /** Names it as long as the gather lives. */
  id: number;
  count: number;
  sums: Sums;
  entries: SortedEntries;
  /** What changed since it was told last; null when it must be told whole. */
  splices: Splice[] | null;
}

/** Beyond this many changes the whole group is told. */
const MOST_SPLICES = 60;

/**
 * A gather that is kept answered. It holds the rows that match, in groups and in order; a changed note takes its old
 * rows out and puts its new ones in, so that the work grows neither with the number of notes nor with that of rows.
 */
export class LiveGather {
  /** The gather as its text says it. */
  readonly written: Gather;
  readonly errors: GatherError[];
  /** Whether its answer depends on how notes are called. */
  readonly asksForNames: boolean;
  /** Whether its answer depends on what refs point at. */
  readonly asksForRefs: boolean;
  /** Whether its answer depends on what notes elsewhere hold and say. */
  readonly asksForOthers: boolean;
  plan: Plan;
  private groups = new Map<string, LiveGroup>();
  /** The groups in order; null when that must be found anew. */
  private order: LiveGroup[] | null = null;
  private sums = noSums();
  private resting = 0;
  /** How many rows of the answer rest. */
  private rests = 0;
  private nextId = 1;
  /** The groups that changed since they were told last. */
  readonly dirty = new Set<LiveGroup>();
  /** Whether the answer was told since it was rebuilt. */
  told = false;

  constructor(
    text: string,
    context: GatherContext,
    style: DateStyle,
    private readonly lookup: NameLookup,
  ) {
    const parsed = parseGather(text);
    this.written = parsed.gather;
    this.errors = parsed.errors;
    this.asksForNames = anyPart(this.written.where, (part) => part.is === 'link' || part.is === 'under' || part.is === 'to this note');
    this.asksForRefs = anyPart(this.written.where, (part) => part.is === 'flag' && part.flag === 'blocked');
    this.asksForOthers = anyPart(this.written.where, (part) => part.is === 'presence' && part.field === 'next step');
    this.plan = planGather(this.written, context, style, lookup);
  }

  /** The gather as it is answered: a summary with the groups of its key. */
  get gather(): Gather {
    return this.plan.gather;
  }

  /**
   * Starts over: for a new day, new settings, or names that changed.
   *
   * @param rowsFor gives the rows that match, in order, and how many are left out because they rest
   */
  rebuild(rowsFor: (live: LiveGather) => { rows: Row[]; resting: number }, context: GatherContext, style: DateStyle): void {
    this.plan = planGather(this.written, context, style, this.lookup);
    this.groups = new Map();
    this.dirty.clear();
    this.order = null;
    this.sums = noSums();
    this.resting = 0;
    this.rests = 0;
    this.told = false;
    if (this.errors.length > 0) return;
    const { rows: shown, resting } = rowsFor(this);
    this.resting = resting;
    for (const row of shown) this.add(row, 1);
    for (const { place, rows, name } of this.placed(shown)) {
      const group = this.openGroup(name, place);
      group.sums = sumsOf(rows);
      group.count = rows.length;
      group.entries.fill(nestSteps(this.plan, rows));
    }
  }

  private add(row: Row, sign: 1 | -1): void {
    addToSums(this.sums, row, sign);
    if (this.plan.showsResting && isResting(row, this.plan.context.today)) this.rests += sign;
  }

  /** Whether a row is in the answer; resting ones that are left out are counted with `sign`. */
  private sift(row: Row, into: Row[], sign: 1 | -1): void {
    if (!this.plan.matches(row)) return;
    if (this.plan.hides(row)) this.resting += sign;
    else into.push(row);
  }

  /** Takes a note's old rows out and its new ones in; false when neither concerns this gather. */
  change(removed: readonly Row[], added: readonly Row[]): boolean {
    if (this.errors.length > 0) return false;
    const before = this.resting;
    const gone: Row[] = [];
    const come: Row[] = [];
    for (const row of removed) this.sift(row, gone, -1);
    for (const row of added) this.sift(row, come, 1);
    if (gone.length > 0) this.alter(gone.sort(this.plan.compare), -1);
    if (come.length > 0) this.alter(come.sort(this.plan.compare), 1);
    return gone.length > 0 || come.length > 0 || this.resting !== before;
  }

  private alter(rows: readonly Row[], sign: 1 | -1): void {
    for (const row of rows) this.add(row, sign);
    for (const { place, rows: inside, name } of this.placed(rows)) {
      const group = this.groups.get(name) ?? this.openGroup(name, place);
      for (const row of inside) addToSums(group.sums, row, sign);
      group.count = group.sums.count;
      this.dirty.add(group);
      for (const entry of nestSteps(this.plan, inside)) {
        const at = sign === 1 ? group.entries.insert(entry) : group.entries.remove(entry);
        group.splices?.push({ at, entry: sign === 1 ? entry : null });
      }
      if (group.splices && group.splices.length > MOST_SPLICES) group.splices = null;
      if (group.count === 0) {
        this.groups.delete(name);
        this.dirty.delete(group);
        this.order = this.order?.filter((one) => one !== group) ?? null;
      }
      if (this.gather.groupBy.some((key) => key.byCount)) this.order = null;
    }
  }

  /** Where rows stand: in their groups, or all in one where a limit cuts before grouping. */
  private placed(rows: readonly Row[]): { place: GroupPlace; rows: readonly Row[]; name: string }[] {
    if (this.gather.limit !== null || this.gather.groupBy.length === 0)
      return rows.length === 0 ? [] : [{ place: NO_PLACE, rows, name: '' }];
    return [...inGroups(this.plan, rows)].map(([name, group]) => ({ ...group, name }));
  }

  private openGroup(name: string, place: GroupPlace): LiveGroup {
    const group: LiveGroup = {
      ...place,
      id: this.nextId++,
      count: 0,
      sums: noSums(),
      entries: new SortedEntries(this.plan.compare),
      splices: null,
    };
    this.groups.set(name, group);
    this.dirty.add(group);
    this.order = this.order && withGroup(this.order, group, (a, b) => compareGroups(this.gather, a, b));
    return group;
  }

  /** The groups in their order. */
  get ordered(): readonly LiveGroup[] {
    return (this.order ??= [...this.groups.values()].sort((a, b) => compareGroups(this.gather, a, b)));
  }

  /** Whether its answer is told whole each time: what a limit cuts is short, and grouped after the cut. */
  get isCut(): boolean {
    return this.gather.limit !== null;
  }

  get head(): Omit<Answer, 'groups' | 'more'> & { steps: number; rests: number } {
    const { sums, resting } = this;
    return { total: sums.count, steps: this.steps, rests: this.rests, resting, totals: totalsFrom(sums) };
  }

  /** How many tasks are seen only inside others. A task may stand in two groups: in both as a step, or in one as a row. */
  private get steps(): number {
    const groups = [...this.groups.values()];
    const placed = groups.reduce((sum, group) => sum + group.count, 0);
    if (placed === this.sums.count) return groups.reduce((sum, group) => sum + group.count - group.entries.size, 0);
    return this.sums.count - new Set(groups.flatMap((group) => group.entries.first(Infinity).map(({ row }) => row))).size;
  }

  /** The shown part of a group. */
  shownOf(group: LiveGroup): AnswerGroup {
    const rows = group.entries.first(this.gather.limitPerGroup ?? Infinity);
    return groupOf(group, group.sums, rows, group.entries.size);
  }

  answer(): Answer {
    if (this.gather.limit === null) return { ...this.head, more: 0, groups: this.ordered.map((group) => this.shownOf(group)) };
    const entries = this.ordered[0]?.entries;
    return limitedAnswer(this.plan, this.sums, this.resting, entries?.first(this.gather.limit) ?? [], entries?.size ?? 0);
  }
}

/** The groups with one more at its place. */
function withGroup(order: readonly LiveGroup[], group: LiveGroup, compare: (a: LiveGroup, b: LiveGroup) => number): LiveGroup[] {
  let low = 0;
  let high = order.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    const other = order[middle];
    if (other && compare(other, group) <= 0) low = middle + 1;
    else high = middle;
  }
  return [...order.slice(0, low), group, ...order.slice(low)];
}
