import { type PointerEvent, createContext, useContext, useEffect, useMemo, useRef } from 'react';
import type { RowView } from '../../../../core/index/live/view';
import { frameSlice } from '../../../session/state/frame-slice';
import { selectionSlice } from '../../../session/state/selection-slice';
import { useAppDispatch } from '../../../session/state/state';

/** Selects a row or leaves it out; with `range` all rows up to it from the one that was picked last. */
export type PickRow = (row: RowView, range: boolean) => void;

export const RowPicking = createContext<PickRow>(() => undefined);

/** Picking among the rows of a list, in their order. */
export function useRowPicking(rows: readonly RowView[]): PickRow {
  const dispatch = useAppDispatch();
  const last = useRef<string | null>(null);
  const order = useRef(rows);
  useEffect(() => {
    order.current = rows;
  }, [rows]);
  return useMemo(
    () => (row, range) => {
      const places = [last.current, row.id].map((id) => order.current.findIndex((one) => one.id === id));
      const [from = -1, to = -1] = places.sort((a, b) => a - b);
      if (range && from !== -1) dispatch(selectionSlice.actions.selected(order.current.slice(from, to + 1)));
      else dispatch(selectionSlice.actions.toggledRow(row));
      last.current = row.id;
    },
    [dispatch],
  );
}

/** A finger that rests so long, in milliseconds, on a row selects it. */
const LONG = 500;
/** A finger that moves further, in pixels, scrolls. */
const STILL = 10;

/** What a row listens to so that a long press by touch selects it, and more can be picked by a touch each. */
export function useLongPress(row: RowView) {
  const pick = useContext(RowPicking);
  const dispatch = useAppDispatch();
  const press = useRef<{ timer: ReturnType<typeof setTimeout>; x: number; y: number } | null>(null);
  const pressed = useRef(false);
  const end = (): void => {
    if (press.current) clearTimeout(press.current.timer);
    press.current = null;
  };
  useEffect(() => end, []);
  return {
    onPointerDown: (event: PointerEvent): void => {
      pressed.current = false;
      end();
      if (event.pointerType !== 'touch' || row.what !== 'task') return;
      const timer = setTimeout(() => {
        pressed.current = true;
        dispatch(frameSlice.actions.selectingChanged(true));
        pick(row, false);
      }, LONG);
      press.current = { timer, x: event.clientX, y: event.clientY };
    },
    onPointerMove: (event: PointerEvent): void => {
      const { current } = press;
      if (current && Math.hypot(event.clientX - current.x, event.clientY - current.y) > STILL) end();
    },
    onPointerUp: end,
    onPointerCancel: end,
    /** The click that ends a long press is none. */
    onClickCapture: (event: React.MouseEvent): void => {
      if (!pressed.current) return;
      pressed.current = false;
      event.preventDefault();
      event.stopPropagation();
    },
    onContextMenu: (event: React.MouseEvent): void => {
      if (press.current || pressed.current) event.preventDefault();
    },
  };
}
