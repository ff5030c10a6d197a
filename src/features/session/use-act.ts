import { useCallback, useMemo } from 'react';
import { toast } from 'sonner';
import type { LineRef } from '../../core/task/edit';
import type { WideIntention } from '../../core/task/intention';
import { isOpen } from '../../core/task/status';
import { frameSlice } from './frame-slice';
import { intentionName } from './intention-name';
import { useServices } from './services';
import { useAppDispatch, useAppSelector } from './state';

/** Takes this tab's newest step back, and says what that was. */
export function useUndo(): () => Promise<void> {
  const { store } = useServices();
  return useCallback(async () => {
    const result = await store.undo();
    if (!result) toast('There is nothing to undo.');
    else if ('refused' in result) toast.error(result.refused);
    else toast(`Undone: ${result.undone}`);
  }, [store]);
}

export interface RowActions {
  /**
   * Carries out an intention. With open steps the person is asked first what becomes of them, unless the settings say.
   *
   * @returns the line as it stands afterwards; null when nothing was done yet or it was refused, which the person is told
   */
  act: (ref: LineRef, text: string, intention: WideIntention, openSteps?: number) => Promise<string | null>;
}

/** Acting on a task from wherever it shows: one edit, one step of Undo, one message that offers it. */
export function useAct(): RowActions {
  const { actions } = useServices();
  const dispatch = useAppDispatch();
  const choice = useAppSelector((state) => state.settings.openSteps);
  const undo = useUndo();
  return useMemo(
    () => ({
      act: async (ref, text, given, openSteps = 0) => {
        let intention = given;
        if (given.do === 'status' && !isOpen(given.status) && openSteps > 0 && given.steps === undefined) {
          if (choice === 'ask') {
            dispatch(frameSlice.actions.taskDialogShown({ is: 'steps', task: { ref, text }, intention: given, openSteps }));
            return null;
          }
          intention = { ...given, steps: choice };
        }
        const label = `${intentionName(intention)}: ${shorten(text)}`;
        const result = await actions.act(ref, intention, label);
        if ('refused' in result) {
          toast.error(result.refused);
          return null;
        }
        toast(label, { action: { label: 'Undo', onClick: () => void undo() } });
        return result.raw;
      },
    }),
    [actions, undo, dispatch, choice],
  );
}

export function shorten(text: string): string {
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
}
