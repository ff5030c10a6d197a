import { useMemo, useRef } from 'react';
import { type Day, isoDay } from '../../../core/calendar/day';
import type { RowView } from '../../../core/index/live/view';
import type { DialogTask } from '../../session/acting/task-dialog';
import { useAct } from '../../session/acting/use-act';
import type { ActOnRow } from '../list/use-list-actions';

/** How what stands on a sheet of days goes to another day. */
export interface SheetMoves {
  /** What is dragged stands where it does because it is due, or planned. */
  begin: (is: string) => void;
  end: () => void;
  drop: (tasks: readonly DialogTask[], day: Day) => void;
  /** By key; the focus goes along. */
  byDays: (row: RowView, is: string, days: number) => void;
}

/** Moving changes the day by which something stands where it does: the due day of what is due, else the plan. */
export function useSheetMoves(onAct: ActOnRow): SheetMoves {
  const { actAll } = useAct();
  const dragged = useRef('plan');
  return useMemo(
    () => ({
      begin: (is) => {
        dragged.current = is;
      },
      // What comes from elsewhere is planned.
      end: () => {
        dragged.current = 'plan';
      },
      drop: (tasks, day) => void actAll([...tasks], [{ do: 'push', to: `${wordOf(dragged.current)} ${isoDay(day)}` }]),
      byDays: (row, is, days) => {
        const from = (is === 'due' ? row.due : row.plan)?.from;
        if (from !== undefined) onAct(row, [{ do: 'push', to: `${wordOf(is)} ${isoDay(from + days)}` }], true);
      },
    }),
    [actAll, onAct],
  );
}

const wordOf = (is: string): string => (is === 'due' ? 'by' : 'plan');
