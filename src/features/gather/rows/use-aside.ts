import { type PointerEvent, useEffect, useRef, useState } from 'react';
import type { RowView } from '../../../core/index/live/view';
import { isOpen } from '../../../core/task/line/status';
import { useLatest } from '../../../ui/use-latest';
import type { useLongPress } from './picking/row-picking';

/** From so many pixels on a finger moves a row aside, and does not scroll; so far it stands aside; and let go beyond so many, it is done. */
const BEGINS = 12;
const STANDS = 112;
const DONE = 190;

type Press = ReturnType<typeof useLongPress>;

interface Aside {
  /** Whether the row is moved aside, and shows what lies behind it. */
  shown: boolean;
  /** Does what it shows, and brings the row back. */
  act: () => void;
  handlers: Press;
}

/**
 * A row under a finger that moves towards its beginning: it stands aside and shows a button; moved further, what the button does is done at
 * once. Anything else that is touched brings it back.
 */
export function useAside(row: RowView, press: Press, onDone: () => void): Aside {
  const [shown, setShown] = useState(false);
  const from = useRef<{ x: number; y: number; row: HTMLElement; moves: boolean; far: number } | null>(null);
  const moved = useRef<HTMLElement | null>(null);
  const place = (of: HTMLElement, far: number, isMoving: boolean): void => {
    const shownPart = of.querySelector<HTMLElement>(':scope > div');
    if (!shownPart) return;
    moved.current = shownPart;
    shownPart.classList.add('row-aside');
    shownPart.classList.toggle('row-moving', isMoving);
    shownPart.style.background = far > 0 ? 'var(--sheet)' : '';
    shownPart.style.transform = far > 0 ? `translateX(${isBackwards(of) ? far : -far}px)` : '';
  };
  const back = (): void => {
    const row = moved.current?.parentElement;
    if (row) place(row, 0, false);
    moved.current = null;
    setShown(false);
  };
  const act = (): void => {
    back();
    onDone();
  };
  const away = useLatest(back);
  useEffect(() => {
    if (!shown) return;
    const touched = (event: Event): void => {
      if (event.target instanceof Node && moved.current?.parentElement?.contains(event.target)) return;
      away.current();
    };
    document.addEventListener('pointerdown', touched, true);
    return () => document.removeEventListener('pointerdown', touched, true);
  }, [shown, away]);
  const handlers: Press = {
    ...press,
    onPointerDown: (event: PointerEvent): void => {
      press.onPointerDown(event);
      const of = event.currentTarget as HTMLElement;
      from.current = null;
      if (event.pointerType !== 'touch' || row.what !== 'task' || !isOpen(row.status) || of.closest('.board-cards')) return;
      // A step within a row is moved by itself.
      if ((event.target as Element).closest('[data-row]') !== of) return;
      from.current = { x: event.clientX, y: event.clientY, row: of, moves: false, far: 0 };
    },
    onPointerMove: (event: PointerEvent): void => {
      press.onPointerMove(event);
      const { current } = from;
      if (!current) return;
      const across = (event.clientX - current.x) * (isBackwards(current.row) ? 1 : -1);
      if (!current.moves && across > BEGINS && across > 1.5 * Math.abs(event.clientY - current.y)) {
        current.moves = true;
        current.row.setPointerCapture(event.pointerId);
        setShown(true);
      }
      if (!current.moves) return;
      current.far = Math.max(0, across);
      place(current.row, current.far, true);
    },
    onPointerUp: (): void => {
      press.onPointerUp();
      const { current } = from;
      from.current = null;
      if (!current?.moves) return;
      if (current.far >= DONE) act();
      else if (current.far >= STANDS / 2) place(current.row, STANDS, false);
      else back();
    },
    onPointerCancel: (): void => {
      press.onPointerCancel();
      if (from.current?.moves) back();
      from.current = null;
    },
  };
  return { shown, act, handlers };
}

const isBackwards = (of: Element): boolean => getComputedStyle(of).direction === 'rtl';
