/** After so long without a key or a pointer nobody is at the page, in milliseconds. */
const PAUSE = 45_000;

/** What tells whether a page can be loaded anew without anybody being disturbed. */
export interface Use {
  /** When a key was pressed or the pointer used last, in milliseconds. */
  last: number;
  now: number;
  /** Whether a dialog asks something. */
  asks: boolean;
  /** Whether something is written that is not stored. */
  unsaved: boolean;
  /** Whether the page is in sight. */
  seen: boolean;
}

/**
 * Whether somebody works in a page: a page that is out of sight with nothing begun in it is used by nobody.
 *
 * @example inUse({ last: 0, now: 60_000, asks: false, unsaved: false, seen: true }) // false: a minute of rest
 */
export function inUse({ last, now, asks, unsaved, seen }: Use): boolean {
  if (asks || unsaved) return true;
  return seen && now - last < PAUSE;
}
