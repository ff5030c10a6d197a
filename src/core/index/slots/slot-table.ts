import type { Span } from '../../calendar/span';
import { standsInWords } from '../../gather/answer/evaluate';
import { ABSENT, LAST, OPEN_BITS, type Sieve, type WordsSieve, nameBit, statusBit } from '../../gather/answer/sieve';
import { isOpen } from '../../task/line/status';
import { type ReadingSettings, type Task, comesBack, priorityRank, readTaskAt } from '../../task/line/task';
import { AroundBits, ownPeopleBits, tagBits } from '../names/name-bits';
import type { NoteEntry } from '../note-entry';
import { type NoteHead, type Row, type RowSource, echoOf, taskRowOf } from '../../gather/rows/row';

/** Bits of `flags` above those of the statuses. */
const ARCHIVE = 32;
const ECHO = 64;
const OTHERS = 128;
const FIRST_SIZE = 1024;
/** Where a day has no time, it stands behind its times. */
const NO_TIME = 1440;

/**
 * What is asked of the tasks of a library, as columns of numbers: a question passes over tasks that cannot match without looking at
 * them. A task is a slot, that is, a place in every column; its row is made from its line when it is first asked for.
 */
export class SlotTable implements RowSource {
  /** How many slots there are, taken or free. */
  width = 0;
  /** The number of the note of each task, and in it the place of what stands around the task. */
  private notes = new Int32Array(FIRST_SIZE);
  private arounds = new Int32Array(FIRST_SIZE);
  /** Notes by number. */
  private readonly entries: (NoteEntry | null)[] = [];
  private readonly freeNotes: number[] = [];
  /** The rows that were made so far, by slot. */
  private rows: (Row | null)[] = [];
  /** The bit of the status, and what the row is. */
  flags = new Uint8Array(FIRST_SIZE);
  ranks = new Uint8Array(FIRST_SIZE);
  dues = new Int32Array(FIRST_SIZE);
  /** The due day of open tasks outside archives, which most questions are about; absent for all others. */
  openDues = new Int32Array(FIRST_SIZE);
  plans = new Int32Array(FIRST_SIZE);
  planEnds = new Int32Array(FIRST_SIZE);
  dones = new Int32Array(FIRST_SIZE);
  starts = new Int32Array(FIRST_SIZE);
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
  /** Where the line of a task begins and ends in its note; and in the line its box, its words and its tail. */
  private lineFroms = new Int32Array(FIRST_SIZE);
  private lineTos = new Int32Array(FIRST_SIZE);
  private boxFroms = new Int32Array(FIRST_SIZE);
  private textFroms = new Int32Array(FIRST_SIZE);
  private tailFroms = new Int32Array(FIRST_SIZE);
  /** The line in its note, from 0, and how many list items are around it. */
  private lines = new Int32Array(FIRST_SIZE);
  private depths = new Uint8Array(FIRST_SIZE);
  /** How many steps a task has, without the cancelled ones, and how many of them are done. */
  steps = new Int32Array(FIRST_SIZE);
  private stepsDone = new Int32Array(FIRST_SIZE);
  /** The slot of the nearest task in which a row stands; -1 for none. */
  parents = new Int32Array(FIRST_SIZE);
  /** How many rows stand for tasks written elsewhere. */
  echoes = 0;
  /** Set for the rows of the answer that is being made; cleared after it. */
  marks = new Uint8Array(FIRST_SIZE);
  private selected = new Int32Array(FIRST_SIZE);
  private readonly free: number[] = [];
  private readonly around = new AroundBits();
  private dated: Int32Array | null = null;

  /** How many tasks it holds. */
  get size(): number {
    return this.width - this.free.length;
  }

  /** Takes in the tasks of a note; its head then knows their slots. */
  addNote(entry: NoteEntry, tasks: readonly Task[], notePlace: number): void {
    if (tasks.length === 0) return;
    const note = this.freeNotes.pop() ?? this.entries.length;
    this.entries[note] = entry;
    const lead = leadOf(entry.settings);
    const slots = new Array<number>(tasks.length);
    entry.head.slots = slots;
    let place = notePlace * ROWS_OF_A_NOTE;
    let index = 0;
    let around = -1;
    for (const task of tasks) {
      if (task.around !== entry.arounds[around]) around++;
      slots[index++] = this.add(entry, note, task, around, place++, lead);
    }
  }

  private add(entry: NoteEntry, note: number, task: Task, around: number, place: number, lead: number | null): number {
    const slot = this.free.pop() ?? this.width++;
    if (slot === this.flags.length) this.grow();
    const { due, plan, boxFrom, lineFrom } = task;
    const { kind, handle, slots } = entry.head;
    const parent = task.parent === -1 ? -1 : (slots[task.parent] as number);
    const isEcho = entry.echoes > 0 && echoOf(task) !== null;
    const back = comesBack(task, lead) ?? ABSENT;
    this.notes[slot] = note;
    this.arounds[slot] = around;
    this.lineFroms[slot] = lineFrom;
    this.lineTos[slot] = task.lineTo;
    this.boxFroms[slot] = boxFrom;
    this.textFroms[slot] = boxFrom + task.sign.length + 2;
    this.tailFroms[slot] = task.tailFrom;
    this.lines[slot] = task.line;
    this.depths[slot] = task.depth;
    this.flags[slot] =
      statusBit(task.status) |
      (kind === 'archive' ? ARCHIVE : 0) |
      (isEcho ? ECHO : 0) |
      (task.owner !== null || task.asked !== null ? OTHERS : 0);
    this.ranks[slot] = priorityRank(task.priority);
    this.dues[slot] = due?.from ?? ABSENT;
    this.openDues[slot] = due !== null && isOpen(task.status) && kind !== 'archive' ? due.from : ABSENT;
    if (this.openDues[slot] !== ABSENT) this.dated = null;
    this.plans[slot] = plan?.from ?? ABSENT;
    this.planEnds[slot] = plan?.to ?? ABSENT;
    this.dones[slot] = task.done?.from ?? ABSENT;
    this.starts[slot] = task.start ?? ABSENT;
    this.backs[slot] = parent === -1 ? back : Math.max(back, this.backs[parent] as number);
    this.takes[slot] = task.takes ?? ABSENT;
    this.dueTimes[slot] = timeOf(due);
    this.planTimes[slot] = timeOf(plan);
    this.tags[slot] = tagBits(task.tags) | this.around.tagBits(task.around);
    this.people[slot] = ownPeopleBits(task) | this.around.peopleBits(task.around) | (handle === null ? 0 : nameBit(handle));
    this.places[slot] = place;
    this.parents[slot] = parent;
    this.steps[slot] = 0;
    this.stepsDone[slot] = 0;
    if (parent !== -1 && task.status !== 'cancelled') this.countStep(parent, task.status === 'done');
    if (isEcho) this.echoes++;
    return slot;
  }

  private countStep(parent: number, done: boolean): void {
    for (let up = parent; up !== -1; up = this.parents[up] as number) {
      this.steps[up] = (this.steps[up] as number) + 1;
      if (done) this.stepsDone[up] = (this.stepsDone[up] as number) + 1;
    }
  }

  /** Forgets the tasks of a note; rows that were made of them stay what they are, without a slot. */
  removeNote({ head }: NoteEntry): void {
    const [first] = head.slots;
    if (first === undefined) return;
    const note = this.notes[first] as number;
    this.entries[note] = null;
    this.freeNotes.push(note);
    for (const slot of head.slots) {
      const row = this.rows[slot];
      if (row) {
        row.slot = -1;
        this.rows[slot] = null;
      }
      if (this.isEcho(slot)) this.echoes--;
      this.flags[slot] = 0;
      if (this.openDues[slot] !== ABSENT) this.dated = null;
      this.openDues[slot] = ABSENT;
      this.free.push(slot);
    }
    head.slots = [];
  }

  /** The row of a task, read from its line unless it was before. */
  rowAt(slot: number): Row {
    this.widenRows();
    return (this.rows[slot] ??= this.rowOf(slot, this.readTask(slot)));
  }

  /** Makes the rows of a note from its tasks as they were just read. */
  makeRows({ head }: NoteEntry, tasks: readonly Task[]): void {
    this.widenRows();
    head.slots.forEach((slot, index) => (this.rows[slot] = this.rowOf(slot, tasks[index] as Task)));
  }

  /** A list that has room for every slot is several times faster than one that is written here and there. */
  private widenRows(): void {
    if (this.rows.length < this.width) this.rows = [...this.rows, ...new Array<null>(this.flags.length - this.rows.length).fill(null)];
  }

  /** The note of a task. */
  headAt(slot: number): NoteHead {
    return this.entryAt(slot).head;
  }

  private entryAt(slot: number): NoteEntry {
    const entry = this.entries[this.notes[slot] as number];
    if (!entry) throw new Error('a slot that is taken is one of a note');
    return entry;
  }

  private readTask(slot: number): Task {
    const { text, settings, arounds } = this.entryAt(slot);
    const task = readTaskAt(text, this.lineFroms[slot] as number, this.lineTos[slot] as number, this.boxFroms[slot] as number, settings);
    if (!task) throw new Error('a slot that is taken holds a task');
    task.line = this.lines[slot] as number;
    task.depth = this.depths[slot] as number;
    task.around = arounds[this.arounds[slot] as number] ?? task.around;
    return task;
  }

  private rowOf(slot: number, task: Task): Row {
    const { head, settings, seen } = this.entryAt(slot);
    const parent = this.parents[slot] as number;
    const index = (this.places[slot] as number) % ROWS_OF_A_NOTE;
    const row = taskRowOf(task, index, head, parent === -1 ? null : this.rowAt(parent), leadOf(settings), seen);
    row.slot = slot;
    row.life = typeof head.lives === 'number' ? head.lives + index : (head.lives[index] ?? 0);
    row.steps = this.steps[slot] as number;
    row.stepsDone = this.stepsDone[slot] as number;
    return row;
  }

  /** Gives the places of the tasks of a note anew. */
  placeNote({ slots }: NoteHead, notePlace: number): void {
    slots.forEach((slot, index) => (this.places[slot] = notePlace * ROWS_OF_A_NOTE + index));
  }

  isOpenAt(slot: number): boolean {
    return ((this.flags[slot] ?? 0) & OPEN_BITS) !== 0;
  }

  isEcho(slot: number): boolean {
    return ((this.flags[slot] ?? 0) & ECHO) !== 0;
  }

  /** Whether a task says who owns it, or who asked for it. */
  saysWho(slot: number): boolean {
    return ((this.flags[slot] ?? 0) & OTHERS) !== 0;
  }

  /**
   * The slots of the rows that pass a sieve. One condition after the other takes out what fails it; writing each slot and moving
   * on only when it passes is several times faster than asking in between.
   *
   * @param archives whether rows of notes of kind archive pass too
   * @returns a view that the next call overwrites
   */
  select(sieve: Sieve, archives: boolean): Int32Array {
    const count = this.width;
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
      for (let slot = 0; slot < this.width; slot++) if (openDues[slot] !== ABSENT) found.push(slot);
      this.dated = Int32Array.from(found);
    }
    return this.dated;
  }

  private keepWords(slots: Int32Array, count: number, { pattern, length, test }: WordsSieve): number {
    const { entries, notes, lineFroms, lineTos, textFroms, tailFroms } = this;
    let found = 0;
    for (let index = 0; index < count; index++) {
      const slot = slots[index] as number;
      const raw = (entries[notes[slot] as number] as NoteEntry).text.slice(lineFroms[slot], lineTos[slot]);
      const at = raw.search(pattern);
      if (at === -1) continue;
      const sure = length > 0 && standsInWords(raw, at, length, textFroms[slot] as number, tailFroms[slot] as number);
      if (sure || test(this.rowAt(slot))) slots[found++] = slot;
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
    this.starts = ints(this.starts);
    this.backs = ints(this.backs);
    this.takes = ints(this.takes);
    this.parents = ints(this.parents);
    this.notes = ints(this.notes);
    this.arounds = ints(this.arounds);
    this.lineFroms = ints(this.lineFroms);
    this.lineTos = ints(this.lineTos);
    this.boxFroms = ints(this.boxFroms);
    this.textFroms = ints(this.textFroms);
    this.lines = ints(this.lines);
    this.steps = ints(this.steps);
    this.stepsDone = ints(this.stepsDone);
    this.depths = wider(this.depths, new Uint8Array(this.depths.length * 2));
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

/** The place of the note in the place of a row. */
export const noteOf = (place: number): number => Math.floor(place / ROWS_OF_A_NOTE);

const timeOf = (span: Span | null): number => span?.minute ?? NO_TIME;

const leadOf = ({ repeatLead }: ReadingSettings): number | null => (repeatLead === undefined ? 0 : repeatLead);
