import { useCallback, useMemo } from 'react';
import { toast } from 'sonner';
import type { WideIntention } from '../../core/task/intention';
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
  act: (ref: LineRef, text: string, intention: WideIntention) => Promise<string | null>;
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

const NAMES: Record<Exclude<WideIntention['do'], 'status' | 'set' | 'unset' | 'priority'>, string> = {
  cycle: 'Next status',
  end: 'Series ended',
  raise: 'Priority raised',
  lower: 'Priority lowered',
  push: 'Moved to another day',
  rest: 'Resting',
  tag: 'Name added',
  untag: 'Name removed',
  reword: 'Reworded',
  convert: 'Converted',
  duplicate: 'Duplicated',
  sink: 'Finished ones to the end',
  sweep: 'Finished ones swept',
  reset: 'Started again',
  ref: 'Ref made',
  swap: 'Days swapped',
  move: 'Moved',
  archive: 'Archived',
  echo: 'Echo made',
};

/** What an action is called in messages and in Undo. */
export function intentionName(intention: WideIntention): string {
  switch (intention.do) {
    case 'status':
      return STATUS_NAMES[intention.status];
    case 'set':
      return `Set ${intention.clause.split(' ')[0]}`;
    case 'unset':
      return `Removed ${intention.clause}`;
    case 'priority':
      return intention.priority === null ? 'Priority removed' : `Priority ${intention.priority}`;
    default:
      return NAMES[intention.do];
  }
}

export function shorten(text: string): string {
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
}
