/** More slots than there can be; with any number below 2^24 they fill a whole number exactly. */
const SLOTS = 2 ** 29;

/**
 * Puts slots in the order of a number each has, in their own array; among equal ones in their own order. Numbers alone sort
 * several times faster than with a comparison, so each number and its slot make one.
 *
 * @param numberOf a whole number of less than 24 bits, which may be negative
 */
export function sortByNumber(slots: Int32Array, numberOf: (slot: number) => number): Int32Array {
  const keys = new Float64Array(slots.length);
  for (let at = 0; at < slots.length; at++) keys[at] = numberOf(slots[at] as number) * SLOTS + (slots[at] as number);
  keys.sort();
  for (let at = 0; at < slots.length; at++) {
    const key = keys[at] as number;
    slots[at] = key - Math.floor(key / SLOTS) * SLOTS;
  }
  return slots;
}
