import type { Row } from './row';
import type { Sieve } from '../gather/sieve';
import { ABSENT, statusBit } from '../gather/sieve';

const FIRST_SIZE = 1024;

/** A few fields of all rows as columns of numbers, so that a question passes over rows that cannot match without looking at them. */
export class Columns {
  private rows: (Row | null)[] = [];
  private readonly free: number[] = [];
  private statuses = new Uint8Array(FIRST_SIZE);
  private dues = new Int32Array(FIRST_SIZE);
  private planFroms = new Int32Array(FIRST_SIZE);
  private planTos = new Int32Array(FIRST_SIZE);
  private dones = new Int32Array(FIRST_SIZE);

  /** How many rows it holds. */
  get size(): number {
    return this.rows.length - this.free.length;
  }

  add(row: Row): void {
    const slot = this.free.pop() ?? this.rows.length;
    if (slot === this.statuses.length) this.grow();
    const { task } = row;
    row.slot = slot;
    this.rows[slot] = row;
    this.statuses[slot] = statusBit(task.status);
    this.dues[slot] = task.due?.from ?? ABSENT;
    this.planFroms[slot] = task.plan?.from ?? ABSENT;
    this.planTos[slot] = task.plan?.to ?? ABSENT;
    this.dones[slot] = task.done?.from ?? ABSENT;
  }

  remove(row: Row): void {
    this.rows[row.slot] = null;
    this.statuses[row.slot] = 0;
    this.free.push(row.slot);
    row.slot = -1;
  }

  /** Calls with every row that passes a sieve. */
  each(sieve: Sieve, visit: (row: Row) => void): void {
    const { rows, statuses, dues, planFroms, planTos, dones } = this;
    const { statuses: mask, due, plan, done } = sieve;
    for (let slot = 0; slot < rows.length; slot++) {
      if (((statuses[slot] ?? 0) & mask) === 0) continue;
      if (due !== null) {
        const day = dues[slot] ?? ABSENT;
        if (day === ABSENT || day < due.from || day > due.to) continue;
      }
      if (plan !== null) {
        const from = planFroms[slot] ?? ABSENT;
        if (from === ABSENT || from > plan.to || (planTos[slot] ?? ABSENT) < plan.from) continue;
      }
      if (done !== null) {
        const day = dones[slot] ?? ABSENT;
        if (day === ABSENT || day < done.from || day > done.to) continue;
      }
      const row = rows[slot];
      if (row) visit(row);
    }
  }

  private grow(): void {
    const wider = (column: Int32Array): Int32Array<ArrayBuffer> => {
      const next = new Int32Array(column.length * 2);
      next.set(column);
      return next;
    };
    const statuses = new Uint8Array(this.statuses.length * 2);
    statuses.set(this.statuses);
    this.statuses = statuses;
    this.dues = wider(this.dues);
    this.planFroms = wider(this.planFroms);
    this.planTos = wider(this.planTos);
    this.dones = wider(this.dones);
  }
}
