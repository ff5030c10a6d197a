import type { OrderKey } from '../../gather/language/ast';
import type { Compare } from '../../gather/answer/order';
import { ABSENT } from '../../gather/answer/sieve';
import { type SlotTable, noteOf } from './slot-table';
import { sortByNumber } from './sort-slots';

export type SlotCompare = (a: number, b: number) => number;

/**
 * The order of a gather over slots, by the slot table alone where they hold its keys. It is the same as `compareBy`.
 *
 * @param byRow the order over rows, for keys that no column holds
 */
export function compareSlots(table: SlotTable, keys: readonly OrderKey[] | null, today: number, byRow: Compare): SlotCompare {
  const { places } = table;
  const place: SlotCompare = (a, b) => (places[a] as number) - (places[b] as number);
  const parts = keys
    ? keys.map((key) => columnCompare(table, key))
    : [lateFirst(table, today), ...DEFAULT_KEYS.map((key) => columnCompare(table, key))];
  if (parts.some((part) => part === null)) {
    return (a, b) => byRow(table.rowAt(a), table.rowAt(b));
  }
  const [first = place, second = place, third = place, ...more] = parts as SlotCompare[];
  if (more.length === 0) return (a, b) => first(a, b) || second(a, b) || third(a, b) || place(a, b);
  return (a, b) => {
    for (const part of parts) {
      const result = part ? part(a, b) : 0;
      if (result !== 0) return result;
    }
    return place(a, b);
  };
}

const DEFAULT_KEYS: readonly OrderKey[] = (['priority', 'due', 'plan'] as const).map((key) => ({ key, descending: false }));

function lateFirst(table: SlotTable, today: number): SlotCompare {
  return (a, b) => Number(isLateAt(table, b, today)) - Number(isLateAt(table, a, today));
}

function columnCompare(table: SlotTable, { key, descending }: OrderKey): SlotCompare | null {
  const direction = descending ? -1 : 1;
  switch (key) {
    case 'priority':
      return (a, b) => direction * ((table.ranks[a] as number) - (table.ranks[b] as number));
    case 'due':
      return dated(table.dues, table.dueTimes, direction);
    case 'plan':
      return dated(table.plans, table.planTimes, direction);
    case 'takes':
      return dated(table.takes, null, direction);
    case 'path':
      // The path alone: the lines of a note stand in the order of the next key.
      return (a, b) => direction * (noteOf(table.places[a] as number) - noteOf(table.places[b] as number));
    default:
      return null;
  }
}

/** What is absent stands last, ascending or descending. */
function dated(days: Int32Array, times: Int16Array | null, direction: number): SlotCompare {
  return (a, b) => {
    const left = days[a] as number;
    const right = days[b] as number;
    if (left === ABSENT || right === ABSENT) return left === right ? 0 : left === ABSENT ? 1 : -1;
    return direction * (left - right || (times ? (times[a] as number) - (times[b] as number) : 0));
  };
}

/** Room for every day a calendar can say, and for what has none behind them. */
const DAYS = 2 ** 31;

/**
 * For each slot a number that never falls in the order of a gather, from its first two keys; null for keys that no column holds.
 * Rows of equal weight are told apart by `compareSlots`.
 */
export function slotWeights(table: SlotTable, keys: readonly OrderKey[] | null, today: number, slots: Int32Array): Float64Array | null {
  const { ranks, dues } = table;
  const [first, second] = keys ?? DEFAULT_KEYS;
  if (!first || first.descending || second?.descending) return null;
  const ranked = first.key === 'priority';
  const dated = ranked ? second?.key : first.key;
  const days = dated === 'due' ? dues : dated === 'plan' ? table.plans : null;
  if (!ranked && !days) return null;
  const weights = new Float64Array(slots.length);
  for (let at = 0; at < slots.length; at++) {
    const slot = slots[at] as number;
    let rank = ranked ? (ranks[slot] as number) : 0;
    if (keys === null && !isLateAt(table, slot, today)) rank += 4;
    const day = days ? (days[slot] as number) : 0;
    weights[at] = rank * DAYS + (day === ABSENT ? DAYS - 1 : day - ABSENT);
  }
  return weights;
}

function isLateAt(table: SlotTable, slot: number, today: number): boolean {
  const due = table.dues[slot] as number;
  return due !== ABSENT && due < today && table.isOpenAt(slot);
}

/** Whether a gather asks for the order of the notes and nothing before it. */
export const isByPlace = (keys: readonly OrderKey[] | null): boolean =>
  keys?.length === 1 && keys[0]?.key === 'path' && !keys[0].descending;

/** Puts slots in the order of their places, in their own array: the notes by numbers alone, the few rows of each after it. */
export function sortByPlace(slots: Int32Array, places: Float64Array): Int32Array {
  sortByNumber(slots, (slot) => noteOf(places[slot] as number));
  for (let at = 0; at < slots.length; at++) {
    const slot = slots[at] as number;
    const place = places[slot] as number;
    let to = at;
    while (to > 0 && (places[slots[to - 1] as number] as number) > place) {
      slots[to] = slots[to - 1] as number;
      to--;
    }
    slots[to] = slot;
  }
  return slots;
}
