import type { Sums } from '../../gather/answer/sums';
import { ABSENT, CANCELLED_BIT, DONE_BIT, OPEN_BITS } from '../../gather/answer/sieve';
import type { SlotTable } from './slot-table';

/** Codes that lie further apart are not counted by their place. */
const WIDEST = 200_000;

/** A group of rows that bear the same code. */
export interface CodedGroup {
  code: number;
  /** The slot of its first row. */
  first: number;
  sums: Sums;
  /** How many of its rows stand in no other row of it. */
  alone: number;
}

/**
 * Sums up rows by a column, with arithmetic alone; null when the codes lie too far apart to be places in a list.
 *
 * @param stepsApart whether each row is a row of its own
 */
export function tallyByCode(table: SlotTable, slots: Int32Array, codes: Int32Array | Uint8Array, stepsApart: boolean): CodedGroup[] | null {
  const { flags, takes, parents, marks } = table;
  const size = slots.length;
  let least = Infinity;
  let most = -Infinity;
  for (let at = 0; at < size; at++) {
    const code = codes[slots[at] as number] as number;
    if (code === ABSENT) continue;
    if (code < least) least = code;
    if (code > most) most = code;
  }
  // What has no value stands in place 0.
  const places = least > most ? 1 : most - least + 2;
  if (places > WIDEST) return null;
  const counts = new Int32Array(places);
  const firsts = new Int32Array(places);
  const done = new Int32Array(places);
  const cancelled = new Int32Array(places);
  const minutes = new Float64Array(places);
  const inside = new Int32Array(places);
  for (let at = 0; at < size; at++) {
    const slot = slots[at] as number;
    const code = codes[slot] as number;
    const place = code === ABSENT ? 0 : code - least + 1;
    const flag = flags[slot] as number;
    if ((counts[place] as number) === 0) firsts[place] = slot;
    counts[place] = (counts[place] as number) + 1;
    done[place] = (done[place] as number) + ((flag & DONE_BIT) === 0 ? 0 : 1);
    cancelled[place] = (cancelled[place] as number) + ((flag & CANCELLED_BIT) === 0 ? 0 : 1);
    const time = takes[slot] as number;
    if (time > 0 && (flag & OPEN_BITS) !== 0) minutes[place] = (minutes[place] as number) + time;
    marks[slot] = 1;
  }
  for (let at = 0; at < size && !stepsApart; at++) {
    const slot = slots[at] as number;
    let up = parents[slot] as number;
    if (up === -1) continue;
    const code = codes[slot] as number;
    while (up !== -1 && (marks[up] === 0 || codes[up] !== code)) up = parents[up] as number;
    if (up !== -1) {
      const place = code === ABSENT ? 0 : code - least + 1;
      inside[place] = (inside[place] as number) + 1;
    }
  }
  for (let at = 0; at < size; at++) marks[slots[at] as number] = 0;
  const groups: CodedGroup[] = [];
  for (let place = 0; place < places; place++) {
    const count = counts[place] as number;
    if (count === 0) continue;
    const out = cancelled[place] as number;
    groups.push({
      code: place === 0 ? ABSENT : place - 1 + least,
      first: firsts[place] as number,
      sums: { count, takes: minutes[place] as number, all: count - out, done: done[place] as number, cancelled: out, kept: 0 },
      alone: count - (inside[place] as number),
    });
  }
  return groups;
}
