import { useMemo } from 'react';
import { isoDay } from '../../../core/calendar/day';
import type { SpanBar } from '../../../core/gather/forms/spans';
import type { RowView } from '../../../core/index/live/view';
import type { ActOnRow } from '../list/use-list-actions';

/** What is taken hold of: the whole bar, or one of its ends. */
export type SpanPart = 'whole' | 'begin' | 'end';

/** Moves a bar or an end of it by days. */
export type MoveSpan = (bar: SpanBar<RowView>, part: SpanPart, days: number, byKey: boolean) => void;

/**
 * What moving a bar does to its line: the whole takes all its dates along; its beginning is the start, else the plan; its end is the due
 * day, which a task without one gets. No end goes beyond the other.
 */
export function useSpanMoves(onAct: ActOnRow): MoveSpan {
  return useMemo(
    () => (bar, part, days, byKey) => {
      if (days === 0 || bar.row.what !== 'task') return;
      if (part === 'whole') return onAct(bar.row, [{ do: 'shift', days: longEnough(bar, days) }], byKey);
      const day = movedEnd(bar, part, days);
      if (part === 'end') return onAct(bar.row, [{ do: 'push', to: `by ${isoDay(day)}` }], byKey);
      onAct(
        bar.row,
        [bar.begins === 'start' ? { do: 'set', clause: `start ${isoDay(day)}` } : { do: 'push', to: `plan ${isoDay(day)}` }],
        byKey,
      );
    },
    [onAct],
  );
}

/** The day to which an end comes; it stays on its side of the other. */
export const movedEnd = ({ from, to }: { from: number; to: number }, part: 'begin' | 'end', days: number): number =>
  part === 'end' ? Math.max(from, to + days) : Math.min(to, from + days);

/** A plan for a week or a month moves by whole ones. */
function longEnough({ row: { plan } }: SpanBar<RowView>, days: number): number {
  const length = plan ? plan.to - plan.from + 1 : 1;
  return Math.sign(days) * Math.max(Math.abs(days), length);
}
