import { type FocusEvent, type KeyboardEvent, useCallback, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { isoDay } from '../../../core/calendar/day';
import type { RowView } from '../../../core/index/live/view';
import type { WideIntention } from '../../../core/task/acts/intention';
import { pressed } from '../../commands/command';
import { COMMANDS } from '../../commands/definitions';
import { useCommandKeys } from '../../commands/use-key-of';
import { noteAddress } from '../../session/places/addresses';
import { useLatest } from '../../../ui/use-latest';
import { frameSlice } from '../../session/state/frame-slice';
import { setFocusedRow } from '../../session/places/page-commands';
import { selectionSlice } from '../../session/state/selection-slice';
import { useNow } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { type TaskDialog, dialogTask } from '../../session/acting/task-dialog';

const LIST_COMMANDS = COMMANDS.filter((command) => command.scope === 'list');

interface RowCommands {
  /** Runs the command whose key was pressed on a row; whether there was one. */
  onKey: (event: KeyboardEvent, row: RowView) => boolean;
  /** Called when the focus comes to something of a list, with the row that holds it; `onBlur` when it goes. */
  onFocus: (event: FocusEvent, row: RowView | undefined) => void;
  onBlur: (event: FocusEvent) => void;
}

/**
 * The commands of lists, by their keys.
 *
 * @param rows the rows of the list, in their order
 * @param act carries out intentions on rows
 */
export function useRowCommands(
  rows: readonly RowView[],
  act: (rows: readonly RowView[], intentions: readonly WideIntention[]) => void,
): RowCommands {
  const keys = useCommandKeys();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const { day: today } = useNow();
  const selection = useAppSelector((state) => state.selection);
  const run = useCallback(
    (id: string, row: RowView): void => {
      const chosen = selection[row.id] ? Object.values(selection) : [row];
      const ask = (dialog: TaskDialog): void => void dispatch(frameSlice.actions.dialogShown(dialog));
      const tasks = chosen.map(dialogTask);
      switch (id) {
        case 'row-details':
          return ask({ is: 'details', task: dialogTask(row) });
        case 'row-open':
          return void navigate(noteAddress(row.path, row.line));
        case 'row-done-remark':
          return ask({ is: 'remark', tasks, status: 'done' });
        case 'row-plan':
          return ask({ is: 'day', tasks, what: 'plan' });
        case 'row-due':
          return ask({ is: 'day', tasks, what: 'due' });
        case 'row-move':
          return ask({ is: 'place', tasks, what: 'move' });
        case 'row-names':
          return ask({ is: 'names', tasks });
        case 'row-select':
          return void dispatch(selectionSlice.actions.toggledRow(row));
        case 'row-select-all':
          return void dispatch(selectionSlice.actions.selected(rows));
        case 'row-cycle':
          return act(chosen, [{ do: 'cycle' }]);
        case 'row-today':
          return act(chosen, [{ do: 'push', to: isoDay(today) }]);
        case 'row-tomorrow':
          return act(chosen, [{ do: 'push', to: isoDay(today + 1) }]);
        case 'row-raise':
          return act(chosen, [{ do: 'raise' }]);
        case 'row-lower':
          return act(chosen, [{ do: 'lower' }]);
        case 'row-delete':
          return act(chosen, [{ do: 'delete' }]);
      }
    },
    [selection, rows, act, dispatch, navigate, today],
  );
  const latest = useLatest(run);
  return useMemo(
    () => ({
      onFocus: ({ target }, row) =>
        setFocusedRow(row && row.what !== 'note' ? { element: target, run: (id) => latest.current(id, row) } : null),
      onBlur: ({ relatedTarget }) => {
        // The menu of commands borrows the focus; its commands are those of the row.
        if (relatedTarget instanceof Element && !relatedTarget.closest('[role=dialog]')) setFocusedRow(null);
      },
      onKey: (event, row) => {
        if (row.what === 'note') return false;
        const command = LIST_COMMANDS.find(({ id }) => {
          const key = keys.get(id);
          return key != null && pressed(event.nativeEvent, key);
        });
        if (!command) return false;
        run(command.id, row);
        return true;
      },
    }),
    [keys, run, latest],
  );
}
