import type { DateStyle } from '../../calendar/day-name';
import { type Plan, planGather } from '../../gather/answer/answer';
import type { GatherContext } from '../../gather/language/ast';
import { type NameLookup, speaksOfResting } from '../../gather/answer/evaluate';
import { parseGather } from '../../gather/language/parse';
import { LAST } from '../../gather/answer/sieve';
import { isResting } from '../../gather/answer/state';
import { isOpen } from '../../task/line/status';
import type { SlotTable } from '../slots/slot-table';
import { matchingSlots } from '../slots/matching-slots';
import type { NoteEntry } from '../note-entry';
import type { Row } from '../../gather/rows/row';

/**
 * How many different open tasks the gathers of an agenda page hold together, without those that rest; a gather that itself
 * asks for resting tasks counts them too. It keeps the count of each note, so that a changed note costs its own rows.
 */
export class PageCount {
  private readonly plans: { plan: Plan; countsResting: boolean }[] = [];
  private readonly byNote = new Map<string, number>();
  total = 0;

  constructor(
    readonly texts: readonly string[],
    private readonly context: GatherContext,
    style: DateStyle,
    lookup: NameLookup,
  ) {
    for (const text of texts) {
      const { gather, errors } = parseGather(text);
      if (errors.length > 0 || gather.from === 'notes' || gather.from === 'meetings' || gather.from === 'outside') continue;
      this.plans.push({ plan: planGather(gather, context, style, lookup), countsResting: speaksOfResting(gather.where) });
    }
  }

  /** Counts all notes, by the slot table alone where they suffice. */
  start(entries: ReadonlyMap<string, NoteEntry>, table: SlotTable): void {
    const found = new Uint8Array(table.width);
    for (const { plan, countsResting } of this.plans) {
      const latest = countsResting ? LAST : this.context.today;
      for (const slot of matchingSlots(table, plan).slots) if ((table.backs[slot] as number) <= latest) found[slot] = 1;
    }
    for (const [key, { head }] of entries) {
      let count = 0;
      for (const slot of head.slots) if (found[slot] === 1 && table.isOpenAt(slot)) count++;
      this.put(key, count);
    }
  }

  /** Counts a note afresh; without rows it counts no more. */
  take(key: string, rows: readonly Row[]): void {
    let count = 0;
    for (const row of rows) if (this.counts(row)) count++;
    this.put(key, count);
  }

  private put(key: string, count: number): void {
    const before = this.byNote.get(key) ?? 0;
    if (count === before) return;
    this.total += count - before;
    if (count === 0) this.byNote.delete(key);
    else this.byNote.set(key, count);
  }

  private counts(row: Row): boolean {
    if (!isOpen(row.task.status)) return false;
    const rests = isResting(row, this.context.today);
    for (const { plan, countsResting } of this.plans) if ((countsResting || !rests) && plan.matches(row)) return true;
    return false;
  }
}
