import { useEffect, useMemo, useRef, useState } from 'react';
import type { RowView } from '../../../core/index/live/view';
import { useLatest } from '../../../ui/use-latest';
import { moved } from './use-choosing';

/** Moves that come in a row are written as one, after so many milliseconds. */
const REST = 350;

interface Pending {
  /** The ids of the rows in the order that is to be. */
  ids: readonly string[];
  /** How many of them from the first the order must hold. */
  held: number;
}

/**
 * The rows of a day that an order by hand holds, as they are moved: they show their new places at once, and are written when the hands rest.
 *
 * @param write is given the rows that the order must hold, in their order
 */
export function useHandOrder(
  rows: readonly RowView[],
  write: (rows: readonly RowView[]) => void,
): {
  rows: readonly RowView[];
  moveTo: (id: string, to: number) => void;
} {
  const [pending, setPending] = useState<Pending | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const shown = useMemo(() => (pending ? inOrder(rows, pending.ids) : rows), [rows, pending]);
  const latest = useLatest({ rows, shown, pending, write });
  useEffect(() => {
    // What was written has come; what is moved meanwhile goes on from it.
    if (timer.current === null) setPending(null);
  }, [rows]);
  const store = (): void => {
    timer.current = null;
    const { shown: now, pending: wanted, write: writes } = latest.current;
    if (wanted) writes(now.slice(0, wanted.held));
  };
  const storing = useLatest(store);
  useEffect(
    () => () => {
      if (timer.current === null) return;
      clearTimeout(timer.current);
      storing.current();
    },
    [storing],
  );
  const moveTo = (id: string, to: number): void => {
    const { shown: now, pending: before } = latest.current;
    const held = moved(now, id, to);
    if (!held) return;
    const rest = now.filter((row) => !held.includes(row));
    setPending({ ids: [...held, ...rest].map((row) => row.id), held: Math.max(held.length, before?.held ?? 0) });
    if (timer.current !== null) clearTimeout(timer.current);
    timer.current = setTimeout(() => storing.current(), REST);
  };
  return { rows: shown, moveTo };
}

/** Rows in the order of some ids; those that are not among them stand behind. */
function inOrder(rows: readonly RowView[], ids: readonly string[]): RowView[] {
  const place = new Map(ids.map((id, index) => [id, index]));
  return [...rows].sort((a, b) => (place.get(a.id) ?? Infinity) - (place.get(b.id) ?? Infinity) || 0);
}
