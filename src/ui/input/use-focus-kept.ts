import { type RefObject, useEffect, useRef } from 'react';

/**
 * Keeps the focus in a part of the page whose controls take each other's place: where the one that had it is gone, the first that a
 * selector finds there has it.
 *
 * @param wanted selectors, the best one first
 */
export function useFocusKept(part: RefObject<HTMLElement | null>, wanted: readonly string[]): void {
  const isInside = useRef(false);
  useEffect(() => {
    const element = part.current;
    if (!element) return;
    const come = (): void => void (isInside.current = true);
    const go = ({ relatedTarget, target }: FocusEvent): void => {
      if (relatedTarget instanceof Node) isInside.current = element.contains(relatedTarget);
      // What loses the focus to nobody was left for an empty place, unless it is about to be removed.
      else setTimeout(() => (target as Node).isConnected && document.activeElement === document.body && (isInside.current = false));
    };
    element.addEventListener('focusin', come);
    element.addEventListener('focusout', go);
    return () => {
      element.removeEventListener('focusin', come);
      element.removeEventListener('focusout', go);
    };
  }, [part]);
  useEffect(() => {
    if (!isInside.current || document.activeElement !== document.body) return;
    for (const sign of wanted) {
      const found = part.current?.querySelector<HTMLElement>(sign);
      if (found) return found.focus({ preventScroll: true });
    }
  });
}
