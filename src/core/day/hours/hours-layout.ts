import { type Stretch, freeIn } from './hours';

/** Something with a start and an end, side by side with what overlaps it. */
export interface Placed<Item> {
  item: Item;
  from: number;
  to: number;
  /** Its column among those that overlap, from 0, and how many columns there are. */
  lane: number;
  lanes: number;
}

/** What is drawn of a day's hours. */
export interface HoursLayout<Item> {
  /** The first and the last minute that are shown, on full hours. */
  from: number;
  to: number;
  placed: Placed<Item>[];
  /** What is free between two things, inside the working hours or between the first thing and the last. */
  free: Stretch[];
}

/** What has no end is drawn as if it took so long, in minutes. */
const SHORT = 15;

/**
 * Where the things of a day stand among its hours: what overlaps stands side by side, in as few columns as it takes.
 *
 * @param working the working hours, which are shown in any case
 * @example layHours([{ start: 540, end: 630 }], { from: 540, to: 900 }).placed[0] // { from: 540, to: 630, lane: 0, lanes: 1, … }
 */
export function layHours<Item extends { start: number | null; end: number | null }>(
  items: readonly Item[],
  working: Stretch,
): HoursLayout<Item> {
  const timed = items
    .flatMap((item) => (item.start === null ? [] : [{ item, from: item.start, to: Math.max(item.end ?? 0, item.start + SHORT) }]))
    .sort((a, b) => a.from - b.from || b.to - a.to);
  const placed: Placed<Item>[] = [];
  /** What overlaps, one after the other, without a gap. */
  let group: Placed<Item>[] = [];
  let ends: number[] = [];
  const close = (): void => {
    for (const one of group) one.lanes = ends.length;
    placed.push(...group);
    group = [];
    ends = [];
  };
  for (const one of timed) {
    if (ends.every((end) => end <= one.from)) close();
    const free = ends.findIndex((end) => end <= one.from);
    const lane = free === -1 ? ends.length : free;
    ends[lane] = one.to;
    group.push({ ...one, lane, lanes: 1 });
  }
  close();
  const first = Math.min(working.from, ...timed.map(({ from }) => from));
  const last = Math.max(working.to, ...timed.map(({ to }) => to));
  return {
    from: Math.floor(first / 60) * 60,
    to: Math.max(Math.ceil(last / 60) * 60, Math.floor(first / 60) * 60 + 60),
    placed,
    free: freeIn({ from: first, to: last }, timed),
  };
}

/** How many of the things of a day stand beside another one. */
export const overlapCount = ({ placed }: Pick<HoursLayout<unknown>, 'placed'>): number => placed.filter(({ lanes }) => lanes > 1).length;

/** Brings a minute to the quarter of an hour that is nearest, inside the day. */
export const toQuarter = (minute: number): number => Math.min(Math.max(Math.round(minute / 15) * 15, 0), 1425);
