import { useMemo } from 'react';
import { type Day, isoDay } from '../../../core/calendar/day';
import { timeName } from '../../../core/calendar/span';
import type { RowView } from '../../../core/index/live/view';
import { isOpen } from '../../../core/task/line/status';
import type { PlanItem } from '../../../core/index/days/day-plan';
import { type DialogTask, dialogTask } from '../../session/acting/task-dialog';
import { useAct } from '../../session/acting/use-act';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { useChangeDay } from '../use-change-day';

/** What choosing for a day does. */
export interface Choosing {
  /** Plans tasks for the day. */
  choose: (tasks: readonly DialogTask[]) => void;
  /** Takes a task out of the day; one that is there because it stands on the page is asked for another day. */
  takeOut: (row: RowView) => void;
  /** Gives a task a time of the day; null takes it away. */
  setTime: (row: RowView, minute: number | null) => void;
  /** Puts the tasks without a time into this order. */
  order: (rows: readonly RowView[]) => void;
  /** Writes a task that is only for this day. */
  write: (words: string) => void;
}

/** Choosing for a day, each in one step of Undo. */
export function useChoosing(day: Day): Choosing {
  const { actions } = useServices();
  const { act, actAll } = useAct();
  const dispatch = useAppDispatch();
  const change = useChangeDay(day);
  const planHeading = useAppSelector((state) => state.settings.planHeading);
  return useMemo((): Choosing => {
    const iso = isoDay(day);
    return {
      choose: (tasks) => void actAll(tasks, [{ do: 'push', to: iso }]),
      takeOut: (row) => {
        if (row.plan === null) dispatch(frameSlice.actions.dialogShown({ is: 'day', tasks: [dialogTask(row)], what: 'plan' }));
        else
          void change(
            (path) => actions.takeOutOfDay(path, dialogTask(row).ref, planHeading, `Out of the day: ${row.text}`),
            `Out of the day: ${row.text}`,
          );
      },
      setTime: (row, minute) =>
        void act(dialogTask(row).ref, row.text, { do: 'set', clause: `plan ${iso}${minute === null ? '' : ` ${timeName(minute)}`}` }),
      order: (rows) => {
        const refs = rows.map((row) => dialogTask(row).ref);
        void change((path, made) => actions.orderDay(path, refs, planHeading, 'Order of the day', made), null);
      },
      write: (words) =>
        void change(
          (path, made) => actions.writeLines(path, { heading: planHeading, side: 'last' }, [`- [ ] ${words}`], `New task: ${words}`, made),
          null,
        ),
    };
  }, [actions, act, actAll, change, dispatch, planHeading, day]);
}

/** The rows of a day that have no time and are open: those that an order by hand holds. */
export const untimedRows = (items: readonly PlanItem[]): RowView[] =>
  items.flatMap(({ row, start }) => (row && start === null && isOpen(row.status) ? [row] : []));

/**
 * The rows that an order by hand must hold so that one of them comes to another place: no more than up to there, since what nobody placed
 * stands behind by weight anyway.
 *
 * @param to its new place among them, from 0; null is given where there is no such place
 */
export function moved(rows: readonly RowView[], id: string, to: number): RowView[] | null {
  const row = rows.find((one) => one.id === id);
  if (!row || to < 0 || to >= rows.length) return null;
  const others = rows.filter((one) => one !== row);
  others.splice(to, 0, row);
  return others.slice(0, Math.max(to, rows.indexOf(row)) + 1);
}

/**
 * An order of all rows in which only some change places, among themselves; as far as it must be held for them.
 *
 * @example amongThemselves([a, b, c, d], [c, a]) // [c, b, a]
 */
export function amongThemselves(all: readonly RowView[], some: readonly RowView[]): RowView[] {
  const rest = [...some];
  let last = -1;
  const order = all.map((row, at) => {
    if (!some.includes(row)) return row;
    last = at;
    return rest.shift() ?? row;
  });
  return order.slice(0, last + 1);
}
