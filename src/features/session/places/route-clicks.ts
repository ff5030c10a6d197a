import type { MouseEvent } from 'react';
import type { NavigateFunction } from 'react-router';

/**
 * Follows a plain link of the interface that was clicked inside an element. Hundreds of links then need not each know the
 * address that is shown, and be drawn again whenever it changes.
 */
export function followRoute(event: MouseEvent, navigate: NavigateFunction): void {
  if (event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
  const to = event.target instanceof Element ? event.target.closest('a[data-route]')?.getAttribute('href') : null;
  if (!to) return;
  event.preventDefault();
  void navigate(to);
}

/** Whether an address, as links write it, is the one that is shown. */
export function isHere(to: string, pathname: string): boolean {
  return decoded(to.split(/[?#]/)[0] ?? '') === decoded(pathname);
}

function decoded(address: string): string {
  try {
    return decodeURIComponent(address);
  } catch {
    // A lone % is no encoding.
    return address;
  }
}
