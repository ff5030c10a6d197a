import type { Now } from '../../calendar/span';
import { isOpen } from '../../task/line/status';
import type { DayItem } from '../day-items';

/** A task that was begun, and when; minutes after midnight of today. */
export interface Begun<Item> {
  item: Item;
  since: number;
}

/** What is in hand, and what comes then. */
export interface HandAndThen<Item> {
  now: { item: Item; since: number | null } | null;
  then: Item | null;
}

/**
 * What is in hand: the task under way with the latest `since` of today, else what has a time and covers the present minute. Then comes
 * what has the next time, else the next open task in the order of the day.
 *
 * @param items everything of today, in its order
 * @param begun the tasks under way since a time of today
 * @example inHand(items, [], { day, minute: 565 }).now?.item.text // what began at 9:00 and ends at 10:30
 */
export function inHand<Item extends Pick<DayItem, 'kind' | 'path' | 'line' | 'start' | 'end' | 'status'>>(
  items: readonly Item[],
  begun: readonly Begun<Item>[],
  { minute }: Pick<Now, 'minute'>,
): HandAndThen<Item> {
  const latest = begun.reduce<Begun<Item> | null>((best, one) => (best && best.since >= one.since ? best : one), null);
  const stays = (item: Item): boolean => item.status === null || isOpen(item.status);
  const covers = ({ start, end }: Item): boolean => start !== null && start <= minute && minute < (end ?? start + 1);
  // Of what overlaps, what began last.
  const timed = items.filter((item) => stays(item) && covers(item)).at(-1) ?? null;
  const item = latest?.item ?? timed;
  const isOther = (one: Item): boolean => item === null || one.path !== item.path || one.line !== item.line;
  const others = items.filter((one) => stays(one) && isOther(one));
  const next = others.find(({ start }) => start !== null && start > minute);
  return {
    now: item && { item, since: latest?.since ?? null },
    then: next ?? others.find(({ start, kind }) => kind === 'task' && start === null) ?? null,
  };
}
