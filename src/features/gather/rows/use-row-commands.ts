import { type FocusEvent, type KeyboardEvent, useCallback, useContext, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { isoDay } from '../../../core/calendar/day';
import type { RowView } from '../../../core/index/live/view';
import type { WideIntention } from '../../../core/task/acts/intention';
import { pressed } from '../../commands/command';
import { COMMANDS, type IdIn } from '../../commands/definitions';
import { useCommandKeys } from '../../commands/use-key-of';
import { GatherSource } from '../gather-source';
import { askCard } from '../../note/links/card-place';
import { throughAddress } from '../../session/places/addresses';
import { useLatest } from '../../../ui/use-latest';
import { frameSlice } from '../../session/state/frame-slice';
import { selectionSlice } from '../../session/state/selection-slice';
import { useNow, useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { isOutsidePath } from '../../../core/note/names/outside-path';
import { refuse } from '../../session/telling/messages';
import { rowAddress } from './row-address';
import { notNowIntention } from '../../session/acting/not-now';
import { useToldDone } from '../../session/acting/use-act';
import { type AskedDialog, dialogTask } from '../../session/acting/task-dialog';

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
  const services = useServices();
  const { commands } = services;
  const told = useToldDone();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const { day: today } = useNow();
  const source = useContext(GatherSource);
  const selection = useAppSelector((state) => state.selection);
  const raiseTag = useAppSelector((state) => state.settings.raiseTag);
  const notNow = useAppSelector((state) => state.settings.notNowTag);
  const run = useCallback(
    (id: IdIn<'list'>, row: RowView): void => {
      const chosen = selection[row.id] ? Object.values(selection) : [row];
      const ask = (dialog: AskedDialog): void => void dispatch(frameSlice.actions.dialogShown(dialog));
      const tasks = chosen.map(dialogTask);
      const acts =
        (...intentions: WideIntention[]) =>
        (): void =>
          act(chosen, intentions);
      const runs: Record<IdIn<'list'>, () => void> = {
        'row-details': () => ask({ is: 'details', task: dialogTask(row) }),
        'row-open': () => void navigate(rowAddress(row)),
        'row-card': () => {
          const link = document.querySelector(`[data-row="${CSS.escape(row.id)}"] :is([data-link], [data-name])`);
          if (link) askCard(link);
        },
        'row-done-remark': () => ask({ is: 'remark', tasks, status: 'done' }),
        'row-cancel-remark': () => ask({ is: 'remark', tasks, status: 'cancelled' }),
        'row-plan': () => ask({ is: 'day', tasks, what: 'plan' }),
        'row-due': () => ask({ is: 'day', tasks, what: 'due' }),
        'row-rest': () => ask({ is: 'day', tasks, what: 'rest' }),
        'row-archive': () => ask({ is: 'archive', refs: tasks.map(({ ref }) => ref) }),
        'row-move': () => ask({ is: 'place', tasks, what: 'move' }),
        'row-lend': () =>
          isOutsidePath(row.path)
            ? refuse('What stands on an outside list is not lent from here.')
            : ask({ is: 'lend', what: 'task', ref: dialogTask(row).ref, title: row.text }),
        'row-onto': () => (isOutsidePath(row.path) ? refuse('These stand on an outside list already.') : ask({ is: 'onto', tasks })),
        'row-copy-out': () => void import('../../sharing/outside/send-on').then(({ copyOut }) => copyOut(services, tasks, told)),
        'row-take-back': () => void import('../../sharing/outside/send-on').then(({ takeSentBack }) => takeSentBack(services, tasks, told)),
        'row-names': () => ask({ is: 'names', tasks }),
        // With who is named on each; where nobody is, that is asked.
        'row-to-raise': chosen.every(({ people }) => people.length > 0)
          ? acts({ do: 'tag', name: `#${raiseTag}` })
          : () => ask({ is: 'raise', tasks }),
        'row-not-now': acts(notNowIntention(chosen, notNow)),
        'row-select': () => void dispatch(selectionSlice.actions.toggledRow(row)),
        'row-through': () => source && void navigate(throughAddress(source.text, source.at)),
        'row-select-all': () => void dispatch(selectionSlice.actions.selected(rows)),
        'row-cycle': acts({ do: 'cycle' }),
        'row-today': acts({ do: 'push', to: isoDay(today) }),
        'row-tomorrow': acts({ do: 'push', to: isoDay(today + 1) }),
        'row-raise': acts({ do: 'raise' }),
        'row-lower': acts({ do: 'lower' }),
        'row-delete': acts({ do: 'delete' }),
      };
      runs[id]();
    },
    [selection, source, rows, act, dispatch, navigate, today, raiseTag, notNow, services, told],
  );
  const latest = useLatest(run);
  return useMemo(
    () => ({
      onFocus: ({ target }, row) => {
        if (row && row.what !== 'note') commands.hold('row', { element: target, run: (id) => latest.current(id, row) });
        else commands.leaveRow();
      },
      onBlur: ({ relatedTarget }) => {
        // The menu of commands borrows the focus; its commands are those of the row.
        if (relatedTarget instanceof Element && !relatedTarget.closest('[role=dialog]')) commands.leaveRow();
      },
      onKey: (event, row) => {
        const command = LIST_COMMANDS.find(({ id }) => {
          const key = keys.get(id);
          return key != null && pressed(event.nativeEvent, key);
        });
        if (!command || (row.what === 'note' && command.id !== 'row-card' && command.id !== 'row-open')) return false;
        run(command.id, row);
        return true;
      },
    }),
    [keys, run, latest, commands],
  );
}
