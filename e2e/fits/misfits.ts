import type { Page } from '@playwright/test';

/**
 * What does not fit on the page that is shown: it or the window scrolls sideways, words are cut off without a sign of it, or leave their
 * box, or a control lies beyond the window or under another.
 */
export function misfits(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found = new Set<string>();
    const isSeen = (element: Element): boolean => element.checkVisibility({ opacityProperty: true, visibilityProperty: true });
    const nameOf = (element: Element): string =>
      `${element.tagName.toLowerCase()} “${(element.getAttribute('aria-label') ?? element.textContent).trim().slice(0, 40)}”`;
    const { scrollWidth } = document.documentElement;
    if (scrollWidth > innerWidth + 1) found.add(`the window is ${scrollWidth} wide, of ${innerWidth}`);
    for (const element of document.querySelectorAll<HTMLElement>('body *')) {
      const over = element.scrollWidth - element.clientWidth;
      if (over <= 2 || element.clientWidth <= 1 || !isSeen(element) || element.tagName === 'INPUT') continue;
      const { overflowX, textOverflow, display } = getComputedStyle(element);
      if (display === 'inline') continue;
      if (element.id === 'page') found.add(`the page scrolls sideways by ${over}`);
      else if (overflowX === 'hidden' || overflowX === 'clip') {
        if (textOverflow !== 'ellipsis' && element.textContent.trim() !== '') found.add(`cut off: ${nameOf(element)}`);
      } else if (overflowX === 'visible' && element.children.length === 0 && over > 6) found.add(`leaves its box: ${nameOf(element)}`);
    }
    const scrollsSideways = (element: Element): boolean => {
      for (let part = element.parentElement; part && part.id !== 'page'; part = part.parentElement)
        if (part.scrollWidth > part.clientWidth && /auto|scroll/.test(getComputedStyle(part).overflowX)) return true;
      return false;
    };
    /** What of an element is in sight: what scrolls out of a part of the page is not over what stands beside that. */
    const boxOf = (element: Element): { left: number; right: number; top: number; bottom: number } => {
      const { left, right, top, bottom } = element.getBoundingClientRect();
      const box = { left, right, top, bottom };
      for (let part = element.parentElement; part; part = part.parentElement) {
        if (getComputedStyle(part).overflowY === 'visible') continue;
        const edge = part.getBoundingClientRect();
        box.top = Math.max(box.top, edge.top);
        box.bottom = Math.min(box.bottom, edge.bottom);
      }
      return box;
    };
    // Of controls those count that a pointer meets.
    const controls = [...document.querySelectorAll('button, a[href], input, select, textarea, [role=checkbox]')].flatMap((element) => {
      const box = boxOf(element);
      const [width, height] = [box.right - box.left, box.bottom - box.top];
      if (!isSeen(element) || width < 4 || height < 4 || box.top < 0 || box.bottom > innerHeight) return [];
      const met = document.elementFromPoint(Math.min(innerWidth - 1, box.left + width / 2), box.top + height / 2);
      return met && (element.contains(met) || met.contains(element)) ? [{ element, box }] : [];
    });
    for (const [at, one] of controls.entries()) {
      const isBeyond = one.box.right > innerWidth + 2 || one.box.left < -2;
      if (isBeyond && !scrollsSideways(one.element)) found.add(`beyond the window: ${nameOf(one.element)}`);
      for (const other of controls.slice(at + 1)) {
        // A cell of the day row is a link all over, with what else is in it on top.
        if (one.element.contains(other.element) || other.element.contains(one.element)) continue;
        if (one.element.closest('[data-day]') !== null && one.element.closest('[data-day]') === other.element.closest('[data-day]'))
          continue;
        const across = Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left);
        const down = Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top);
        if (across > 4 && down > 4) found.add(`over each other: ${nameOf(one.element)} and ${nameOf(other.element)}`);
      }
    }
    return [...found];
  });
}
