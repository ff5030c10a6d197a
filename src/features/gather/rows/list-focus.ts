import type { KeyboardEvent } from 'react';

/** The id of the row in which something of a list stands; null outside rows. */
export function rowIdAt(target: EventTarget | null): string | null {
  return target instanceof HTMLElement ? (target.closest<HTMLElement>('[data-row]')?.dataset['row'] ?? null) : null;
}

/**
 * Up and down go from row to row, over all lists of the page; with Shift the rows in between are selected.
 *
 * @param select called with the id of the row that is gone to
 * @returns whether the key was one of them
 */
export function moveByArrow(event: KeyboardEvent, list: HTMLElement | null, select: (id: string) => void): boolean {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (step === 0 || event.ctrlKey || event.metaKey || event.altKey) return false;
  if (!(event.target instanceof HTMLElement) || !event.target.matches('.task-mark, .row-focus, a')) return false;
  const marks = [
    ...(list?.closest('[data-lists]') ?? list ?? document).querySelectorAll<HTMLElement>('[data-row] .task-mark, [data-row] .row-focus'),
  ];
  const here = event.target.closest('[data-row]')?.querySelector<HTMLElement>('.task-mark, .row-focus');
  const next = here ? marks[marks.indexOf(here) + step] : undefined;
  if (!next) return false;
  event.preventDefault();
  next.focus();
  next.scrollIntoView({ block: 'nearest' });
  const id = rowIdAt(next);
  if (event.shiftKey && id !== null) select(id);
  return true;
}
