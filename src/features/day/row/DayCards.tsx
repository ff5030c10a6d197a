import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';
import { type Day, readIsoDay } from '../../../core/calendar/day';
import { HoverCard } from '../../../ui/HoverCard';
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
  /** The day from which the card was opened. */
  const from = useRef<HTMLElement>(null);
  /** A day that was pressed, or whose card was closed: it shows none until pointer or focus were elsewhere. */
  const quiet = useRef<HTMLElement>(null);
  useEffect(() => {
    const element = row.current;
    if (!element) return;
    const gone = new AbortController();
    const { signal } = gone;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const later = (time: number, act: () => void): void => {
      clearTimeout(timer);
      timer = setTimeout(act, time);
    };
    const hide = (): void => {
      clearTimeout(timer);
      setShown(null);
    };
    const open = (event: Event): void => {
      const cell = cellOf(event);
      if (cell !== quiet.current) quiet.current = null;
      const day = cell && readIsoDay(cell.dataset['day'] ?? '');
      if (!cell || day === null || quiet.current) return;
      later(OPENS, () => {
        const { left, bottom } = cell.getBoundingClientRect();
        from.current = cell;
        setShown({ day, left: Math.max(8, Math.min(left, window.innerWidth - 368)), top: bottom + 2 });
      });
    };
    const close = (): void => later(CLOSES, () => !card.current?.contains(document.activeElement) && setShown(null));
    const over = (event: PointerEvent): void => {
      if (card.current?.contains(event.target as Node)) clearTimeout(timer);
      else if (!element.contains(event.target as Node)) {
        quiet.current = null;
        close();
      } else if (event.pointerType === 'mouse') open(event);
    };
    const focused = (event: FocusEvent): void => {
      const at = event.target as Element;
      if (card.current?.contains(at)) clearTimeout(timer);
      else if (!element.contains(at)) close();
      else if (at.matches(':focus-visible')) open(event);
    };
    document.addEventListener('focusin', focused, { signal });
    element.addEventListener('focusout', close, { signal });
    element.addEventListener(
      'pointerdown',
      (event) => {
        quiet.current = cellOf(event);
        hide();
      },
      { signal },
    );
    document.addEventListener('pointerover', over, { signal });
    window.addEventListener('dragstart', hide, { signal });
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [row]);
  /** Arrow down goes from the row into the card. */
  const enter = (event: KeyboardEvent): void => {
    if (event.key !== 'ArrowDown' || !row.current?.contains(event.target as Node)) return;
    const first = card.current?.querySelector<HTMLElement>('[role=checkbox], button, a');
    if (!first) return;
    event.preventDefault();
    first.focus();
  };
  if (!shown) return null;
  return (
    <HoverCard
      card={card}
      label="The day’s tasks"
      at={{ left: shown.left, top: shown.top }}
      className="max-h-[70vh] w-[22.5rem] rounded-b-lg"
      onEscape={(inside) => {
        quiet.current = from.current;
        setShown(null);
        if (inside) from.current?.focus();
      }}
      onKey={enter}
    >
      <DayCard key={shown.day} day={shown.day} />
    </HoverCard>
  );
}

const cellOf = (event: Event): HTMLElement | null => (event.target as Element).closest<HTMLElement>('[data-day]');
