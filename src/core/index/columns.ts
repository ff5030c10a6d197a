import type { Span } from '../calendar/span';
import { standsInWords } from '../gather/evaluate';
import { ABSENT, LAST, OPEN_BITS, type Sieve, type WordsSieve, nameBit, statusBit } from '../gather/sieve';
import { isOpen } from '../task/status';
import { priorityRank } from '../task/task';
import type { Row } from './row';

/** Bits of `flags` above those of the statuses. */
const ARCHIVE = 32;
const ECHO = 64;
const FIRST_SIZE = 1024;
/** Where a day has no time, it stands behind its times. */
const NO_TIME = 1440;

/** A few fields of all rows as columns of numbers: a question passes over rows that cannot match without looking at them. */
export class Columns {
  rows: (Row | null)[] = [];
  /** The line of each row as written. */
  raws: string[] = [];
  /** The bit of the status, and what the row is. */
  flags = new Uint8Array(FIRST_SIZE);
  ranks = new Uint8Array(FIRST_SIZE);
  dues = new Int32Array(FIRST_SIZE);
  /** The due day of open tasks outside archives, which most questions are about; absent for all others. */
  openDues = new Int32Array(FIRST_SIZE);
  plans = new Int32Array(FIRST_SIZE);
  planEnds = new Int32Array(FIRST_SIZE);
  dones = new Int32Array(FIRST_SIZE);
  /** The day on which a row comes back into sight. */
  backs = new Int32Array(FIRST_SIZE);
  takes = new Int32Array(FIRST_SIZE);
  dueTimes = new Int16Array(FIRST_SIZE);
  planTimes = new Int16Array(FIRST_SIZE);
  /** Bits of folded names, by `nameBit`. */
  tags = new Int32Array(FIRST_SIZE);
  people = new Int32Array(FIRST_SIZE);
  /** The place of each row among all, by path and then by line; see `PlaceTable`. */
  places = new Float64Array(FIRST_SIZE);
  /** Where the words of the task stand in its line. */
  textFroms = new Int32Array(FIRST_SIZE);
  tailFroms = new Int32Array(FIRST_SIZE);
  /** The slot of the nearest task in which a row stands; -1 for none. */
  parents = new Int32Array(FIRST_SIZE);
  /** How many rows stand for tasks written elsewhere. */
  echoes = 0;
  /** Set for the rows of the answer that is being made; cleared after it. */
  marks = new Uint8Array(FIRST_SIZE);
  private selected = new Int32Array(FIRST_SIZE);
  private readonly free: number[] = [];
  private dated: Int32Array | null = null;

  /** How many rows it holds. */
  get size(): number {
    return this.rows.length - this.free.length;
  }

  add(row: Row, notePlace: number): void {
    const slot = this.free.pop() ?? this.rows.length;
    if (slot === this.flags.length) this.grow();
    const { task } = row;
    row.slot = slot;
    this.rows[slot] = row;
    this.raws[slot] = task.raw;
    this.textFroms[slot] = task.boxFrom + task.sign.length + 2;
    this.tailFroms[slot] = task.tailFrom;
    this.flags[slot] = statusBit(task.status) | (row.head.kind === 'archive' ? ARCHIVE : 0) | (row.echo === null ? 0 : ECHO);
    this.ranks[slot] = priorityRank(task.priority);
    this.dues[slot] = task.due?.from ?? ABSENT;
    this.openDues[slot] = isOpen(task.status) && row.head.kind !== 'archive' ? (task.due?.from ?? ABSENT) : ABSENT;
    if (this.openDues[slot] !== ABSENT) this.dated = null;
    this.plans[slot] = task.plan?.from ?? ABSENT;
    this.planEnds[slot] = task.plan?.to ?? ABSENT;
    this.dones[slot] = task.done?.from ?? ABSENT;
    this.backs[slot] = row.back ?? ABSENT;
    this.takes[slot] = task.takes ?? ABSENT;
    this.dueTimes[slot] = timeOf(task.due);
    this.planTimes[slot] = timeOf(task.plan);
    this.tags[slot] = bitsOf(row.tags);
    this.people[slot] = bitsOf(row.people);
    this.places[slot] = placeOf(notePlace, row);
    this.parents[slot] = row.parent?.slot ?? -1;
    if (row.echo !== null) this.echoes++;
  }

  remove(row: Row): void {
    if (row.echo !== null) this.echoes--;
    this.rows[row.slot] = null;
    this.raws[row.slot] = '';
    this.flags[row.slot] = 0;
    if (this.openDues[row.slot] !== ABSENT) this.dated = null;
    this.openDues[row.slot] = ABSENT;
    this.free.push(row.slot);
    row.slot = -1;
  }

  isOpenAt(slot: number): boolean {
    return ((this.flags[slot] ?? 0) & OPEN_BITS) !== 0;
  }

  isEcho(slot: number): boolean {
    return ((this.flags[slot] ?? 0) & ECHO) !== 0;
  }

  /**
   * The slots of the rows that pass a sieve. One condition after the other takes out what fails it; writing each slot and moving
   * on only when it passes is several times faster than asking in between.
   *
   * @param archives whether rows of notes of kind archive pass too
   * @returns a view that the next call overwrites
   */
  select(sieve: Sieve, archives: boolean): Int32Array {
    const count = this.rows.length;
    if (this.selected.length < count) this.selected = new Int32Array(this.flags.length);
    const { selected, flags } = this;
    const { statuses } = sieve;
    const shut = archives ? 0 : ARCHIVE;
    const { from, to } = sieve.dueless ? NO_DUE : (sieve.due ?? ANY_DUE);
    let found =
      sieve.due && statuses === OPEN_BITS && !archives
        ? theseDays(selected, this.datedOpen(), this.openDues, from, to)
        : allFlagged(selected, count, flags, passing(statuses, shut), this.dues, from, to);
    if (sieve.words) found = this.keepWords(selected, found, sieve.words);
    if (sieve.tags !== 0) found = keepBits(selected, found, this.tags, sieve.tags);
    if (sieve.people !== 0) found = keepBits(selected, found, this.people, sieve.people);
    if (sieve.planless) found = keepDays(selected, found, this.plans, ABSENT, ABSENT);
    if (sieve.plan) {
      found = keepDays(selected, found, this.plans, ABSENT + 1, sieve.plan.to);
      found = keepDays(selected, found, this.planEnds, sieve.plan.from, LAST);
    }
    if (sieve.done) found = keepDays(selected, found, this.dones, Math.max(sieve.done.from, ABSENT + 1), sieve.done.to);
    return selected.subarray(0, found);
  }

  /** The slots of the open tasks with a due day, as they lie: columns are read fastest in their own order. */
  private datedOpen(): Int32Array {
    if (this.dated === null) {
      const { openDues } = this;
      const found: number[] = [];
      for (let slot = 0; slot < this.rows.length; slot++) if (openDues[slot] !== ABSENT) found.push(slot);
      this.dated = Int32Array.from(found);
    }
    return this.dated;
  }

  private keepWords(slots: Int32Array, count: number, { pattern, length, test }: WordsSieve): number {
    const { raws, rows, textFroms, tailFroms } = this;
    let found = 0;
    for (let index = 0; index < count; index++) {
      const slot = slots[index] as number;
      const raw = raws[slot] as string;
      const at = raw.search(pattern);
      if (at === -1) continue;
      const sure = length > 0 && standsInWords(raw, at, length, textFroms[slot] as number, tailFroms[slot] as number);
      const row = rows[slot];
      if (sure || (row && test(row))) slots[found++] = slot;
    }
    return found;
  }

  private grow(): void {
    this.flags = wider(this.flags, new Uint8Array(this.flags.length * 2));
    this.ranks = wider(this.ranks, new Uint8Array(this.ranks.length * 2));
    const ints = (column: Int32Array): Int32Array<ArrayBuffer> => wider(column, new Int32Array(column.length * 2));
    this.dues = ints(this.dues);
    this.openDues = ints(this.openDues);
    this.plans = ints(this.plans);
    this.planEnds = ints(this.planEnds);
    this.dones = ints(this.dones);
    this.backs = ints(this.backs);
    this.takes = ints(this.takes);
    this.parents = ints(this.parents);
    this.textFroms = ints(this.textFroms);
    this.tailFroms = ints(this.tailFroms);
    this.marks = new Uint8Array(this.flags.length);
    this.tags = ints(this.tags);
    this.people = ints(this.people);
    this.places = wider(this.places, new Float64Array(this.places.length * 2));
    this.dueTimes = wider(this.dueTimes, new Int16Array(this.dueTimes.length * 2));
    this.planTimes = wider(this.planTimes, new Int16Array(this.planTimes.length * 2));
  }
}

/** For each flag that there is whether it passes: arithmetic alone, so that nothing is guessed ahead wrongly. */
function passing(statuses: number, shut: number): Uint8Array {
  const passes = new Uint8Array(256);
  for (let flag = 0; flag < 256; flag++) passes[flag] = (flag & statuses) !== 0 && (flag & shut) === 0 ? 1 : 0;
  return passes;
}

function theseDays(into: Int32Array, slots: Int32Array, column: Int32Array, from: number, to: number): number {
  let found = 0;
  for (let at = 0; at < slots.length; at++) {
    const slot = slots[at] as number;
    const day = column[slot] as number;
    into[found] = slot;
    found += ~(((day - from) | (to - day)) >> 31) & 1;
  }
  return found;
}

function allFlagged(
  slots: Int32Array,
  count: number,
  flags: Uint8Array,
  passes: Uint8Array,
  days: Int32Array,
  from: number,
  to: number,
): number {
  let found = 0;
  for (let slot = 0; slot < count; slot++) {
    const day = days[slot] as number;
    slots[found] = slot;
    found += (passes[flags[slot] as number] as number) & ~(((day - from) | (to - day)) >> 31);
  }
  return found;
}

function keepBits(slots: Int32Array, count: number, column: Int32Array, bits: number): number {
  let found = 0;
  for (let at = 0; at < count; at++) {
    const slot = slots[at] as number;
    slots[found] = slot;
    found += ((column[slot] as number) & bits) === bits ? 1 : 0;
  }
  return found;
}

function keepDays(slots: Int32Array, count: number, column: Int32Array, from: number, to: number): number {
  return theseDays(slots, slots.subarray(0, count), column, from, to);
}

function wider<T extends Uint8Array | Int16Array | Int32Array | Float64Array>(
  from: { readonly length: number } & ArrayLike<number>,
  into: T,
): T {
  into.set(from);
  return into;
}

const NO_DUE = { from: ABSENT, to: ABSENT };
const ANY_DUE = { from: ABSENT, to: LAST };

/** More lines than any note has. */
const ROWS_OF_A_NOTE = 2 ** 24;

/** The place of a row from that of its note. */
export const placeOf = (notePlace: number, row: Row): number => notePlace * ROWS_OF_A_NOTE + row.index;

/** The place of the note in the place of a row. */
export const noteOf = (place: number): number => Math.floor(place / ROWS_OF_A_NOTE);

const timeOf = (span: Span | null): number => span?.minute ?? NO_TIME;

/** Lists of names are shared by the tasks that stand together; their bits are found once. */
let last: { names: readonly string[]; bits: number } = { names: [], bits: 0 };

function bitsOf(names: readonly string[]): number {
  if (names.length === 0) return 0;
  if (last.names === names) return last.bits;
  let bits = 0;
  for (const name of names) bits |= nameBit(name);
  last = { names, bits };
  return bits;
}
