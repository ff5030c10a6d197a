import type { Plan } from '../gather/answer';
import { asksForArchive } from '../gather/evaluate';
import { type Sieve, sieveOf } from '../gather/sieve';
import type { Columns } from './columns';

/** The tasks that match a gather, resting or not, as a view that the next question overwrites; and by what they were sifted. */
export function matchingSlots(columns: Columns, plan: Plan): { slots: Int32Array; sieve: Sieve } {
  const { where } = plan.gather;
  const sieve = sieveOf(where, plan.context);
  const slots = columns.select(sieve, asksForArchive(where));
  if (sieve.exact && columns.echoes === 0) return { slots, sieve };
  let count = 0;
  for (let at = 0; at < slots.length; at++) {
    const slot = slots[at] as number;
    if (fits(columns, plan, sieve, slot)) slots[count++] = slot;
  }
  return { slots: slots.subarray(0, count), sieve };
}

/** Whether a task that passed a sieve matches; that it stands in no archive the columns have said. */
function fits(columns: Columns, plan: Plan, sieve: Sieve, slot: number): boolean {
  if (columns.isEcho(slot)) return plan.matches(columns.rowAt(slot));
  return sieve.exact || plan.test(columns.rowAt(slot));
}
