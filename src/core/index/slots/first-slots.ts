import { Heaviest } from '../../gather/forms/heaviest';
import type { SlotCompare } from './slot-order';

/**
 * The first so many slots in an order, in that order. Where weights tell most of them apart, nearly none are compared.
 *
 * @param weights for each slot a number that never falls in the order; null when there is none
 */
export function firstSlots(slots: Int32Array, most: number, weights: Float64Array | null, compare: SlotCompare): number[] {
  const kept = new Heaviest<number>(compare, most);
  let { bound } = kept;
  for (let at = 0; at < slots.length; at++) {
    const weight = weights ? (weights[at] as number) : 0;
    if (weight > bound) continue;
    kept.offer(slots[at] as number, weight);
    bound = kept.bound;
  }
  return kept.sorted();
}
