import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';
import { type Day, readIsoDay } from '../../core/calendar/day';
import { DayCard } from './DayCard';

/** How long a pointer or the focus rests on a day before its card shows, and stays away before it goes; in milliseconds. */
const OPENS = 450;
const CLOSES = 250;

interface Shown {
  day: Day;
  /** Where the card begins, in pixels of the window. */
  left: number;
  top: number;
}

/** The card of the day on which the pointer or the focus rests: its tasks, which can be ticked there. Arrow down goes into it, Escape leaves. */
export function DayCards({ row }: { row: RefObject<HTMLElement | null> }): ReactNode {
  const [shown, setShown] = useState<Shown | null>(null);
  const card = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = row.current;
    if (!element) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const later = (time: number, act: () => void): void => {
      clearTimeout(timer);
      timer = setTimeout(act, time);
    };
    const open = (event: Event): void => {
      if (event instanceof PointerEvent && event.pointerType !== 'mouse') return;
      const cell = (event.target as Element).closest<HTMLElement>('[data-day]');
      const day = cell && readIsoDay(cell.dataset['day'] ?? '');
      if (!cell || day === null) return;
      later(OPENS, () => {
        const { left, bottom } = cell.getBoundingClientRect();
        setShown({ day, left: Math.max(8, Math.min(left, window.innerWidth - 368)), top: bottom + 2 });
      });
    };
    const close = (): void => later(CLOSES, () => !card.current?.contains(document.activeElement) && setShown(null));
    const stay = (event: Event): void => {
      if (card.current?.contains(event.target as Node)) clearTimeout(timer);
      else if (!element.contains(event.target as Node)) close();
    };
    const key = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') setShown(null);
      const into = event.key === 'ArrowDown' && element.contains(event.target as Node);
      const first = into ? card.current?.querySelector<HTMLElement>('[role=checkbox], button, a') : null;
      if (!first) return;
      event.preventDefault();
      first.focus();
    };
    const gone = (): void => setShown(null);
    element.addEventListener('pointerover', open);
    element.addEventListener('focusin', open);
    element.addEventListener('focusout', close);
    element.addEventListener('pointerdown', gone);
    document.addEventListener('pointerover', stay);
    window.addEventListener('keydown', key);
    window.addEventListener('dragstart', gone);
    return () => {
      clearTimeout(timer);
      element.removeEventListener('pointerover', open);
      element.removeEventListener('focusin', open);
      element.removeEventListener('focusout', close);
      element.removeEventListener('pointerdown', gone);
      document.removeEventListener('pointerover', stay);
      window.removeEventListener('keydown', key);
      window.removeEventListener('dragstart', gone);
    };
  }, [row]);
  if (!shown) return null;
  return (
    <div
      ref={card}
      role="dialog"
      aria-label="The day’s tasks"
      className="fixed z-30 max-h-[70vh] w-[22.5rem] overflow-y-auto rounded-b-lg border border-line bg-ground p-3 shadow-xl"
      style={{ left: shown.left, top: shown.top }}
    >
      <DayCard key={shown.day} day={shown.day} />
    </div>
  );
}
