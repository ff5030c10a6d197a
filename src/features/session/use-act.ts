import { useCallback, useMemo } from 'react';
import { toast } from 'sonner';
import type { LineRef } from '../../core/task/edit';
import type { WideIntention } from '../../core/task/intention';
import { isOpen } from '../../core/task/status';
import { frameSlice } from './frame-slice';
import { intentionName } from './intention-name';
import { runInText } from './page-commands';
import { useServices } from './services';
import { useAppDispatch, useAppSelector } from './state';
import type { ManyResult } from '../../store/note-actions';
import type { DialogTask } from './task-dialog';

/** Takes this tab's newest step back, and says what that was. */
export function useUndo(): () => Promise<void> {
  const { store } = useServices();
  return useCallback(async () => {
    if (runInText('undo-step')) return;
    const result = await store.undo();
    if (!result) toast('There is nothing to undo.');
    else if ('refused' in result) toast.error(result.refused);
    else toast(`Undone: ${result.undone}`);
  }, [store]);
}

/** Does this tab's newest undone step again, and says what that was. */
export function useRedo(): () => Promise<void> {
  const { store } = useServices();
  return useCallback(async () => {
    const result = await store.redo();
    if (!result) toast('There is nothing to do again.');
    else if ('refused' in result) toast.error(result.refused);
    else toast(`Done again: ${result.redone}`);
  }, [store]);
}

export interface RowActions {
  /**
   * Carries out an intention. With open steps the person is asked first what becomes of them, unless the settings say.
   *
   * @returns the line as it stands afterwards; null when nothing was done yet or it was refused, which the person is told
   */
  act: (ref: LineRef, text: string, intention: WideIntention, openSteps?: number) => Promise<string | null>;
  /**
   * Carries out intentions on one task or many, as one step of Undo. A line that is refused is told, and the rest go on.
   *
   * @returns the lines as they stand afterwards; null for those that were not changed
   */
  actAll: (tasks: readonly DialogTask[], intentions: readonly WideIntention[]) => Promise<(string | null)[]>;
}

/** More lines than this are told about while they are being changed. */
const TELL_FROM = 80;

/** Acting on tasks from wherever they show: one edit, one step of Undo, one message that offers it. */
export function useAct(): RowActions {
  const { actions } = useServices();
  const dispatch = useAppDispatch();
  const choice = useAppSelector((state) => state.settings.openSteps);
  const undo = useUndo();
  return useMemo((): RowActions => {
    const offerUndo = { action: { label: 'Undo', onClick: () => void undo() } };
    const act: RowActions['act'] = async (ref, text, given, openSteps = 0) => {
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
      toast(label, offerUndo);
      return result.raw;
    };
    const actAll: RowActions['actAll'] = async (tasks, intentions) => {
      const [task] = tasks;
      const [intention] = intentions;
      if (!task || !intention) return [];
      if (tasks.length === 1 && intentions.length === 1) return [await act(task.ref, task.text, intention, task.openSteps ?? 0)];
      const names = [...new Set(intentions.map(intentionName))].join(', ');
      const label = tasks.length === 1 ? `${names}: ${shorten(task.text)}` : `${names}: ${tasks.length} tasks`;
      const shown = tasks.length < TELL_FROM ? null : toast.loading(`${names}: 0 of ${tasks.length}`);
      let stopped = false;
      const progress = async (done: number): Promise<boolean> => {
        if (shown !== null)
          toast.loading(`${names}: ${done} of ${tasks.length}`, { id: shown, action: { label: 'Stop', onClick: () => (stopped = true) } });
        // The page draws and takes keys before the next portion.
        await new Promise((resolve) => setTimeout(resolve));
        return stopped;
      };
      const result = await actions.actMany(
        tasks.map(({ ref }) => ({ ref, intentions })),
        label,
        progress,
      );
      if (shown !== null) toast.dismiss(shown);
      if ('refused' in result) {
        toast.error(result.refused);
        return tasks.map(() => null);
      }
      tellMany(result, label, names, tasks, offerUndo);
      return result.raws;
    };
    return { act, actAll };
  }, [actions, undo, dispatch, choice]);
}

function tellMany(
  { changed, notes, stayed }: ManyResult,
  label: string,
  names: string,
  tasks: readonly DialogTask[],
  offerUndo: { action: { label: string; onClick: () => void } },
): void {
  if (tasks.length === 1 && changed === 1) toast(label, offerUndo);
  else if (changed > 0) toast(`${names}: ${counted(changed, 'line')} in ${counted(notes, 'note')}`, offerUndo);
  if (stayed.length === 0) return;
  const lines = stayed.slice(0, 3).map(({ ref, reason }) => {
    const text = tasks.find((task) => task.ref === ref)?.text ?? ref.expected;
    return `“${shorten(text)}”: ${reason}`;
  });
  const more = stayed.length > 3 ? ` And ${stayed.length - 3} more.` : '';
  toast.error(`${counted(stayed.length, 'line')} stayed as ${stayed.length === 1 ? 'it was' : 'they were'}. ${lines.join(' ')}${more}`, {
    duration: 10_000,
  });
}

export const counted = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`;

export function shorten(text: string): string {
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
}
