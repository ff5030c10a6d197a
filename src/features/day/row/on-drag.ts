/**
 * Calls back whenever the pointer has dragged the row by whole days. A press that moved is no click.
 *
 * @param dayWidth how wide a day is now with the gap behind it, in pixels: days grow with the text
 * @returns stops listening
 */
export function onDrag(row: HTMLElement, dayWidth: () => number, moveBy: (days: number) => void): () => void {
  let from: number | null = null;
  let moved = false;
  const down = (event: PointerEvent): void => {
    from = event.button === 0 ? event.clientX : null;
    moved = false;
  };
  const move = (event: PointerEvent): void => {
    if (from === null) return;
    const width = dayWidth();
    const days = Math.trunc((from - event.clientX) / width);
    if (days === 0) return;
    moved = true;
    from -= days * width;
    moveBy(days);
  };
  const up = (): void => {
    from = null;
  };
  const click = (event: MouseEvent): void => {
    if (moved) event.preventDefault();
  };
  // Links would otherwise be dragged as links.
  const dragStart = (event: DragEvent): void => event.preventDefault();
  row.addEventListener('pointerdown', down);
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', up);
  window.addEventListener('pointercancel', up);
  row.addEventListener('click', click, true);
  row.addEventListener('dragstart', dragStart);
  return () => {
    row.removeEventListener('pointerdown', down);
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', up);
    window.removeEventListener('pointercancel', up);
    row.removeEventListener('click', click, true);
    row.removeEventListener('dragstart', dragStart);
  };
}
