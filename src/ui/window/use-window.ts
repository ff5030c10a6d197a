import { type RefObject, startTransition, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useIsPrinting } from '../printing';
import { Offsets } from './offsets';
import { scrollerOf } from './scroller';

/** Shorter lists are drawn whole. */
const WHOLE = 120;
/** So many pieces are drawn beyond what is in sight, on either side. */
const BEYOND = 12;
/** How many pieces are drawn before it is known what is in sight. */
const FIRST = 14;

function useLong(count: number): boolean {
  const isPrinting = useIsPrinting();
  return count > WHOLE && !isPrinting;
}

export interface ListWindow {
  /** The pieces to draw, from and to (not included). */
  from: number;
  to: number;
  /** The room that the pieces before and behind take, in pixels. */
  before: number;
  behind: number;
}

/**
 * The part of a long list that is in sight. Where each piece stands is kept in one array of numbers, so that tens of thousands
 * of pieces of differing heights cost nothing while they are scrolled; what is drawn is measured afterwards. Each drawn piece
 * bears its place as `data-index`.
 *
 * @param keyOf names a piece, so that its height is remembered
 * @param heightOf what a piece takes, in pixels, until it was measured
 */
export function useWindow(
  list: RefObject<HTMLElement | null>,
  count: number,
  keyOf: (index: number) => string,
  heightOf: (index: number) => number,
): ListWindow {
  // Paper holds all of it.
  const long = useLong(count);
  const measured = useRef(new Map<string, number>());
  const [sight, setSight] = useState({ from: 0, to: FIRST });
  // Found by name once per list; a measured piece then only moves the sums behind it.
  const offsets = useMemo(() => {
    const heights = new Float64Array(long ? count : 0);
    for (let index = 0; index < heights.length; index++) heights[index] = measured.current.get(keyOf(index)) ?? heightOf(index);
    return new Offsets(heights);
  }, [long, count, keyOf, heightOf]);

  const look = useCallback((): void => {
    const element = list.current;
    const scroller = element && scrollerOf(element);
    if (!element || !scroller) return;
    const top = scroller.getBoundingClientRect().top - element.getBoundingClientRect().top;
    const from = Math.max(0, offsets.at(top) - BEYOND);
    const to = Math.min(count, offsets.at(top + scroller.clientHeight) + 1 + BEYOND);
    // Only when what is drawn comes to its end is something else drawn.
    setSight((present) => {
      const enough =
        present.from <= from + BEYOND / 2 && present.to >= to - BEYOND / 2 && present.to - present.from < 4 * BEYOND + to - from;
      return enough && present.to <= count ? present : { from, to };
    });
  }, [list, offsets, count]);

  useLayoutEffect(() => {
    if (!long) return;
    const scroller = list.current && scrollerOf(list.current);
    look();
    // While it is scrolled, what comes into sight is drawn in pieces between which the page takes keys.
    const scrolled = (): void => startTransition(look);
    scroller?.addEventListener('scroll', scrolled, { passive: true });
    const watcher = new ResizeObserver(() => look());
    if (scroller) watcher.observe(scroller);
    return () => {
      scroller?.removeEventListener('scroll', scrolled);
      watcher.disconnect();
    };
  }, [long, list, look]);

  useLayoutEffect(() => {
    if (!long) return;
    let moved = false;
    for (const piece of list.current?.querySelectorAll<HTMLElement>('[data-index]') ?? []) {
      const index = Number(piece.dataset['index']);
      const height = piece.offsetHeight;
      if (height === 0 || Math.abs(height - offsets.heightOf(index)) < 1) continue;
      measured.current.set(keyOf(index), height);
      offsets.measured(index, height);
      moved = true;
    }
    // The room before and behind what is drawn stays the same; only what is in sight may be other pieces now.
    if (moved) look();
  }, [long, list, offsets, sight, keyOf, look]);

  if (!long) return { from: 0, to: count, before: 0, behind: 0 };
  const from = Math.min(sight.from, Math.max(0, count - 1));
  const to = Math.min(Math.max(sight.to, from + 1), count);
  return { from, to, before: offsets.of(from), behind: Math.max(0, offsets.of(count) - offsets.of(to)) };
}
