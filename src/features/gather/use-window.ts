import { useVirtualizer } from '@tanstack/react-virtual';
import { type RefObject, useLayoutEffect, useState } from 'react';

/** Shorter lists are drawn whole. */
const WHOLE = 120;

export interface ListWindow {
  /** The pieces to draw, from and to (not included). */
  from: number;
  to: number;
  /** The room that the pieces before and behind take, in pixels. */
  before: number;
  behind: number;
  /** For every piece that is drawn, with its place as `data-index`. */
  measure: (element: HTMLElement | null) => void;
}

/**
 * The part of a long list that is in sight.
 *
 * @param keyOf names a piece, so that its height is remembered
 * @param height what a piece takes, in pixels, until it was measured
 */
export function useWindow(
  list: RefObject<HTMLElement | null>,
  count: number,
  keyOf: (index: number) => string,
  height: number,
): ListWindow {
  const long = count > WHOLE;
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  const [margin, setMargin] = useState(0);
  useLayoutEffect(() => {
    const element = list.current;
    const found = long ? (element?.closest<HTMLElement>('#page, aside') ?? null) : null;
    setScroller(found);
    if (element && found) setMargin(Math.round(element.getBoundingClientRect().top - found.getBoundingClientRect().top + found.scrollTop));
  }, [list, long, count]);
  // The library's functions are read when it renders; memoizing around them would keep old ones.

  const virtualizer = useVirtualizer({
    count: long ? count : 0,
    getScrollElement: () => scroller,
    estimateSize: () => height,
    getItemKey: keyOf,
    overscan: 14,
    scrollMargin: margin,
  });
  if (!long) return { from: 0, to: count, before: 0, behind: 0, measure: () => undefined };
  const items = virtualizer.getVirtualItems();
  const first = items[0];
  const last = items[items.length - 1];
  if (!first || !last)
    return { from: 0, to: Math.min(count, 40), before: 0, behind: height * Math.max(0, count - 40), measure: () => undefined };
  return {
    from: first.index,
    to: last.index + 1,
    before: first.start - margin,
    behind: virtualizer.getTotalSize() - (last.end - margin),
    measure: virtualizer.measureElement,
  };
}
