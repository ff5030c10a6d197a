import { useCallback, useMemo } from 'react';
import { toast } from 'sonner';
import type { Intention } from '../../core/task/actions';
import type { LineRef } from '../../core/task/edit';
import { STATUS_NAMES } from '../../core/task/status';
import { useServices } from './services';

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
  /** The line as it stands afterwards; null when it was refused, which the person is told. */
  act: (ref: LineRef, text: string, intention: Intention) => Promise<string | null>;
}

/** Acting on a task from wherever it shows: one edit, one step of Undo, one message that offers it. */
export function useAct(): RowActions {
  const { actions } = useServices();
  const undo = useUndo();
  return useMemo(
    () => ({
      act: async (ref, text, intention) => {
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
    [actions, undo],
  );
}

/** What an action is called in messages and in Undo. */
export function intentionName(intention: Intention): string {
  switch (intention.do) {
    case 'status':
      return STATUS_NAMES[intention.status];
    case 'set':
      return `Set ${intention.clause}`;
    case 'unset':
      return `Removed ${intention.clause}`;
    case 'priority':
      return intention.priority === null ? 'Priority removed' : `Priority ${intention.priority}`;
  }
}

export function shorten(text: string): string {
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
}
