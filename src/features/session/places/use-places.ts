import { useEffect, useLayoutEffect, useRef } from 'react';
import { NavigationType, useLocation, useNavigationType } from 'react-router';
import { useServices } from '../state/services';
import { placeOf } from './place-memory';
import type { Left } from './place-words';

/** So long a place that is returned to may take to be drawn, in milliseconds. */
const PATIENCE = 15_000;
/** A place is found again when it stays for so many frames: a list that comes in portions may draw its rows anew. */
const STILL = 30;

/** Remembers how the place that is shown is left, and brings it back as it was when somebody returns to it. */
export function usePlaces(): void {
  const { places } = useServices();
  const { key, pathname, search } = useLocation();
  const type = useNavigationType();
  // Each page that is loaded begins with an entry of one name.
  const place = placeOf(key, pathname + search);
  const isFirst = useRef(true);
  // Before anything of the new place is asked where it was left.
  useLayoutEffect(() => {
    const isReturn = type === NavigationType.Pop && !(isFirst.current && isLoadedAnew());
    isFirst.current = false;
    const left = places.arrive(place, isReturn);
    return left ? bringBack(left) : undefined;
  }, [places, place, type]);
  useEffect(() => {
    const onScroll = ({ target }: Event): void => {
      if (target instanceof HTMLElement && target.id === 'page') places.scrolled(target.scrollTop);
    };
    const onFocus = ({ target }: FocusEvent): void => {
      // The page itself has it where nothing in it was chosen.
      if (target instanceof HTMLElement && target.id !== 'page' && target.closest('#page'))
        places.focused(target.closest<HTMLElement>('[data-row]')?.dataset['row'] ?? null);
    };
    document.addEventListener('scroll', onScroll, { capture: true, passive: true });
    document.addEventListener('focusin', onFocus);
    return () => {
      document.removeEventListener('scroll', onScroll, { capture: true });
      document.removeEventListener('focusin', onFocus);
    };
  }, [places]);
}

/** Whether the page was loaded for an address that was gone to, and neither again nor by Back. */
function isLoadedAnew(): boolean {
  const [loading] = performance.getEntriesByType('navigation');
  return loading === undefined || (loading as PerformanceNavigationTiming).type === 'navigate';
}

/** Scrolls and focuses as a place was left, as soon as enough of it is drawn; not against a person who moves on meanwhile. */
function bringBack({ scroll, row }: Left): () => void {
  const end = performance.now() + PATIENCE;
  let still = 0;
  let frame = requestAnimationFrame(function again() {
    const page = document.getElementById('page');
    if (page && page.scrollTop !== scroll) page.scrollTop = scroll;
    const isThere = page !== null && Math.abs(page.scrollTop - scroll) < 2;
    const mark = row === null ? null : page?.querySelector<HTMLElement>(`[data-row="${CSS.escape(row)}"] :is(.task-mark, .row-focus)`);
    if (mark && isFree(document.activeElement)) mark.focus({ preventScroll: true });
    still = isThere && (row === null || document.activeElement === mark) ? still + 1 : 0;
    if (still < STILL && performance.now() < end) frame = requestAnimationFrame(again);
    else stop();
  });
  const stop = (): void => {
    cancelAnimationFrame(frame);
    for (const event of MOVES) window.removeEventListener(event, stop, true);
  };
  for (const event of MOVES) window.addEventListener(event, stop, { capture: true, passive: true });
  return stop;
}

/** Whether nothing in particular is looked at. */
const isFree = (focused: Element | null): boolean => focused === null || focused === document.body || focused.id === 'page';

/** By these a person moves on. */
const MOVES = ['wheel', 'pointerdown', 'keydown', 'touchstart'] as const;
