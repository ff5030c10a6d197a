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
      // What is removed loses the focus to nobody.
      if (relatedTarget !== null || (target instanceof Node && element.contains(target) && document.activeElement !== document.body))
        isInside.current = relatedTarget instanceof Node && element.contains(relatedTarget);
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
