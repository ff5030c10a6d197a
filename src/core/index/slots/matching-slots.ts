import type { Plan } from '../../gather/answer/answer';
import { asksForArchive } from '../../gather/answer/evaluate';
import { type Sieve, sieveOf } from '../../gather/answer/sieve';
import type { SlotTable } from './slot-table';
import { Ask, type SlotTest, Yes, slotTest } from './slot-test';

/** The tasks that match a gather, resting or not, as a view that the next question overwrites; and by what they were sifted. */
export function matchingSlots(table: SlotTable, plan: Plan): { slots: Int32Array; sieve: Sieve } {
  const { where } = plan.gather;
  const sieve = sieveOf(where, plan.context);
  const slots = table.select(sieve, asksForArchive(where));
  if (sieve.exact && table.echoes === 0) return { slots, sieve };
  const test = sieve.exact || where === null ? SURE : slotTest(where, table, plan.context, plan.lookup);
  let count = 0;
  for (let at = 0; at < slots.length; at++) {
    const slot = slots[at] as number;
    if (fits(table, plan, test, slot)) slots[count++] = slot;
  }
  return { slots: slots.subarray(0, count), sieve };
}

const SURE: SlotTest = () => Yes;

/** Whether a task that passed a sieve matches; that it stands in no archive the slot table have said. */
function fits(table: SlotTable, plan: Plan, test: SlotTest, slot: number): boolean {
  if (table.isEcho(slot)) return plan.matches(table.rowAt(slot));
  const said = test(slot);
  return said === Ask ? plan.test(table.rowAt(slot)) : said === Yes;
}
