import {
  type Answer,
  type AnswerGroup,
  type AnswerRow,
  type AnswerRowInMaking,
  type Plan,
  compareGroups,
  groupOf,
  groupPlaces,
  groupedOnce,
  limitedAnswer,
} from '../../gather/answer/answer';
import { noSums, totalsFrom } from '../../gather/answer/sums';
import { withSteps } from '../../gather/answer/answer-once';
import { tallyByCode } from './code-tally';
import type { GroupKey } from '../../gather/language/ast';
import { Heaviest } from '../../gather/forms/heaviest';
import { CANCELLED_BIT, DONE_BIT, LAST, OPEN_BITS } from '../../gather/answer/sieve';
import type { SlotTable } from './slot-table';
import { firstSlots } from './first-slots';
import { matchingSlots } from './matching-slots';
import type { Row } from '../../gather/rows/row';
import { type SlotCompare, compareSlots, isByPlace, slotWeights, sortByPlace } from './slot-order';

/** Answers a gather over tasks from the slot table; it looks at a row only where they do not suffice. */
export class ColumnAnswer {
  private readonly compare: SlotCompare;
  private readonly sums = noSums();
  private resting = 0;

  constructor(
    private readonly table: SlotTable,
    private readonly plan: Plan,
  ) {
    this.compare = compareSlots(table, plan.gather.orderBy, plan.context.today, plan.compare);
  }

  answer(): Answer {
    const { gather } = this.plan;
    if (gather.limit !== null) return this.cut(gather.limit);
    if (gather.groupBy.length === 0) return gather.limitPerGroup === null ? this.whole() : this.cut(null);
    const key = gather.groupBy.length === 1 && gather.limitPerGroup !== null ? gather.groupBy[0] : undefined;
    // What was kept stands in no column.
    const { form } = gather;
    const isKept = (form?.is === 'bars' || form?.is === 'curve') && form.measure === 'kept';
    const codes = isKept ? null : key && columnKey(this.table, key);
    return (codes && this.counted(codes, gather.limitPerGroup ?? Infinity)) ?? this.whole();
  }

  /** Every matching row in order, and how many rest. */
  matching(): { rows: Row[]; resting: number } {
    const slots = this.inOrder(this.found());
    return { rows: Array.from(slots, (slot) => this.table.rowAt(slot)), resting: this.resting };
  }

  /** Puts slots in the order of the gather, in their own array. */
  private inOrder(slots: Int32Array): Int32Array {
    return isByPlace(this.plan.gather.orderBy) ? sortByPlace(slots, this.table.places) : slots.sort(this.compare);
  }

  /**
   * The slots of all rows of the answer; a view that the next question overwrites.
   *
   * @param summed whether they are added to the sums here
   */
  private found(summed = true): Int32Array {
    const { table, plan, sums } = this;
    const { backs, takes, flags } = table;
    const { slots, sieve } = matchingSlots(table, plan);
    const back = plan.showsResting ? LAST : plan.context.today;
    if (sieve.statuses === OPEN_BITS) return slots.subarray(0, this.openFound(slots, back, summed));
    let count = 0;
    for (let at = 0; at < slots.length; at++) {
      const slot = slots[at] as number;
      const flag = flags[slot] as number;
      const open = (flag & OPEN_BITS) !== 0;
      if (open && (backs[slot] as number) > back) {
        this.resting++;
        continue;
      }
      slots[count++] = slot;
      if (!summed) continue;
      if ((flag & CANCELLED_BIT) === 0) sums.all++;
      else sums.cancelled++;
      if ((flag & DONE_BIT) !== 0) sums.done++;
      if (open) sums.takes += Math.max(0, takes[slot] as number);
    }
    sums.count = count;
    return slots.subarray(0, count);
  }

  /**
   * Keeps those of some open rows that do not rest, in the same array, and gives how many. Nearly every question asks for open
   * tasks: arithmetic alone, so that nothing is guessed ahead wrongly.
   */
  private openFound(slots: Int32Array, back: number, summed: boolean): number {
    const { backs, takes } = this.table;
    const { sums } = this;
    let count = 0;
    let minutes = 0;
    for (let at = 0; at < slots.length; at++) {
      const slot = slots[at] as number;
      const stays = (backs[slot] as number) > back ? 0 : 1;
      const time = takes[slot] as number;
      slots[count] = slot;
      count += stays;
      // What is absent is below 0, and counts nothing.
      minutes += stays * (time & ~(time >> 31));
    }
    this.resting += slots.length - count;
    sums.count = count;
    if (summed) {
      sums.all += count;
      sums.takes += minutes;
    }
    return count;
  }

  private head(): Pick<Answer, 'total' | 'resting' | 'totals'> {
    return { total: this.sums.count, resting: this.resting, totals: totalsFrom(this.sums) };
  }

  private whole(): Answer {
    const slots = this.inOrder(this.found());
    if (this.plan.gather.groupBy.length > 0)
      return {
        ...this.head(),
        more: 0,
        groups: groupedOnce(
          this.plan,
          Array.from(slots, (slot) => this.table.rowAt(slot)),
        ),
      };
    const nested = this.nested(slots);
    return limitedAnswer(this.plan, this.sums, this.resting, nested, nested.length);
  }

  /** `nestSteps` by the slot table, which does not look at the rows. */
  private nested(slots: Int32Array): AnswerRow[] {
    const top: number[] = [];
    const inside: { slot: number; up: number }[] = [];
    this.eachAlone(
      slots,
      ALL_ALIKE,
      (slot) => top.push(slot),
      (slot, up) => inside.push({ slot, up }),
    );
    const holders = new Map<number, AnswerRowInMaking>();
    for (const { slot, up } of inside)
      for (const one of [slot, up]) if (!holders.has(one)) holders.set(one, { row: this.table.rowAt(one), steps: [] });
    for (const { slot, up } of inside) {
      const entry = holders.get(slot);
      if (entry) holders.get(up)?.steps.push(entry);
    }
    return top.map((slot) => holders.get(slot) ?? { row: this.table.rowAt(slot), steps: NO_STEPS });
  }

  /** Only the first so many rows are put in order; null takes the limit of a group. */
  private cut(limit: number | null): Answer {
    const { plan } = this;
    const { gather } = plan;
    const alone = this.alone(this.found());
    const all = alone.length;
    const weights = slotWeights(this.table, gather.orderBy, plan.context.today, alone);
    const first = firstSlots(alone, limit ?? gather.limitPerGroup ?? Infinity, weights, this.compare);
    const shown = first.map((slot) => withSteps(plan, this.table.rowAt(slot)));
    return limitedAnswer(plan, this.sums, this.resting, shown, all);
  }

  /** Groups by a column; in each only the first so many rows are put in order. Null when the column's codes lie too far apart. */
  private counted(codes: Int32Array | Uint8Array, most: number): Answer | null {
    const { plan, table } = this;
    const slots = this.found(false);
    const tallied = tallyByCode(table, slots, codes, plan.gather.stepsApart);
    if (!tallied) return null;
    const codeOf = (slot: number): number => codes[slot] as number;
    const kept = new Map(tallied.map(({ code }) => [code, new Heaviest<number>(this.compare, most)]));
    if (most > 0) this.eachAlone(slots, codeOf, (slot) => kept.get(codeOf(slot))?.offer(slot));
    const found = tallied.flatMap(({ code, first, sums, alone }): { place: SortedPlace; group: AnswerGroup }[] => {
      this.sums.takes += sums.takes;
      this.sums.all += sums.all;
      this.sums.done += sums.done;
      this.sums.cancelled += sums.cancelled;
      const [place] = groupPlaces(plan, this.table.rowAt(first));
      const rows = (kept.get(code)?.sorted() ?? []).map((slot) => this.withStepsAmong(slot, codeOf));
      return place ? [{ place: { ...place, count: sums.count }, group: groupOf(place, sums, rows, alone) }] : [];
    });
    found.sort((a, b) => compareGroups(plan.gather, a.place, b.place));
    return { ...this.head(), more: 0, groups: found.map(({ group }) => group) };
  }

  /** Calls with the rows of the answer that stand in no other of the same code, which are rows of their own; and with the others. */
  private eachAlone(
    slots: Int32Array,
    codeOf: (slot: number) => number,
    visit: (slot: number) => void,
    visitOther: (slot: number, inside: number) => void = () => undefined,
  ): void {
    const { marks, parents } = this.table;
    const count = slots.length;
    if (this.plan.gather.stepsApart) {
      slots.forEach(visit);
      return;
    }
    for (let at = 0; at < count; at++) marks[slots[at] as number] = 1;
    for (let at = 0; at < count; at++) {
      const slot = slots[at] as number;
      let up = parents[slot] as number;
      while (up !== -1 && (marks[up] === 0 || codeOf(up) !== codeOf(slot))) up = parents[up] as number;
      if (up === -1) visit(slot);
      else visitOther(slot, up);
    }
    for (let at = 0; at < count; at++) marks[slots[at] as number] = 0;
  }

  /** The rows of the answer that stand in no other. */
  private alone(slots: Int32Array): Int32Array {
    const found = new Int32Array(slots.length);
    let count = 0;
    this.eachAlone(slots, ALL_ALIKE, (slot) => (found[count++] = slot));
    return found.subarray(0, count);
  }

  private withStepsAmong(slot: number, codeOf: (slot: number) => number): ReturnType<typeof withSteps> {
    const code = codeOf(slot);
    return withSteps(this.plan, this.table.rowAt(slot), (row) => codeOf(row.slot) === code);
  }
}

const ALL_ALIKE = (): number => 0;

/** Most rows have no steps; they share that. */
const NO_STEPS: readonly AnswerRow[] = [];

type SortedPlace = Parameters<typeof compareGroups>[1];

/** The column that tells groups apart; null for a key that no column holds. */
function columnKey(table: SlotTable, { key, of }: GroupKey): Int32Array | Uint8Array | null {
  if (of !== null) return null;
  switch (key) {
    case 'due':
      return table.dues;
    case 'done':
      return table.dones;
    case 'priority':
      return table.ranks;
    default:
      return null;
  }
}
