import { useCallback, useMemo } from 'react';
import { breather } from './breather';
import { refuse, say, unsay } from '../telling/messages';
import { readSpan } from '../../../core/calendar/span';
import { soleLink } from '../../../core/note/names/sole-link';
import type { LineRef } from '../../../core/task/writing/edit';
import type { WideIntention } from '../../../core/task/acts/intention';
import { isOpen } from '../../../core/task/line/status';
import { clauseOf, readTail } from '../../../core/task/line/tail';
import { frameSlice } from '../state/frame-slice';
import { shorten } from './shorten';
import { intentionName } from './intention-name';
import { useServices } from '../state/services';
import { useAppDispatch, useAppSelector } from '../state/state';
import { failureSentence } from '../../../store/notes/failure';
import type { ManyResult } from '../../../store/acting/note-actions';
import { doAgain, takeBack } from './taking-back';
import type { DialogTask } from './task-dialog';

/**
 * Takes this tab's newest step back, or the one that is meant, and says what that was.
 *
 * @example undo(result.step) // what the Undo of a message does
 */
export function useUndo(): (step?: number) => Promise<void> {
  const { store, outside, commands } = useServices();
  return useCallback(
    async (step) => {
      if (commands.text?.undo(step)) return;
      try {
        const result = await takeBack({ store, outside }, step);
        if (!result) say(step === undefined ? 'There is nothing to undo.' : 'That was taken back already.');
        else if ('refused' in result) refuse(result.refused);
        else say(`Undone: ${result.undone}`);
      } catch (error) {
        refuse(`${failureSentence(error)} Nothing was changed.`);
      }
    },
    [store, outside, commands],
  );
}

/** Says what was done, with an Undo that takes back just that. */
export function useToldDone(): (words: string, step: number | null) => void {
  const undo = useUndo();
  return useCallback(
    (words, step) => void say(words, step === null ? {} : { action: { words: 'Undo', act: () => void undo(step) } }),
    [undo],
  );
}

/** Does this tab's newest undone step again, and says what that was. */
export function useRedo(): () => Promise<void> {
  const { store, outside, commands } = useServices();
  return useCallback(async () => {
    if (commands.text?.redo()) return;
    try {
      const result = await doAgain({ store, outside });
      if (!result) say('There is nothing to do again.');
      else if ('refused' in result) refuse(result.refused);
      else say(`Done again: ${result.redone}`);
    } catch (error) {
      refuse(`${failureSentence(error)} Nothing was changed.`);
    }
  }, [store, outside, commands]);
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
  /** The same with what is to be done to each; steps that are open are left as they are. */
  actEach: (acts: readonly TaskActs[]) => Promise<(string | null)[]>;
}

/** A task, and what is to be done to it. */
export interface TaskActs {
  task: DialogTask;
  intentions: readonly WideIntention[];
}

/** More lines than this are told about while they are being changed. */
const TELL_FROM = 80;
/** So often they are told how many are done. */
const TELL_EACH = 40;

/** Acting on tasks from wherever they show: one edit, one step of Undo, one message that offers it. */
export function useAct(): RowActions {
  const services = useServices();
  const { actions } = services;
  const dispatch = useAppDispatch();
  const choice = useAppSelector((state) => state.settings.openSteps);
  const told = useToldDone();
  return useMemo((): RowActions => {
    /** The intention with what becomes of open steps, as the settings say; null when the person is asked first. */
    const decided = (tasks: readonly DialogTask[], intention: WideIntention): WideIntention | null => {
      if (intention.do !== 'status' || isOpen(intention.status) || intention.steps !== undefined) return intention;
      const openSteps = tasks.reduce((sum, task) => sum + (task.openSteps ?? 0), 0);
      if (openSteps === 0) return intention;
      if (choice !== 'ask') return { ...intention, steps: choice };
      dispatch(frameSlice.actions.dialogShown({ is: 'steps', tasks: [...tasks], intention, openSteps }));
      return null;
    };
    // Seldom wanted: loaded with the first task that is one link.
    const offer = (text: string, from: string): void => {
      if (soleLink(text) !== null)
        void import('../../pages/project/offer-settling').then(({ offerSettling }) => offerSettling(services, text, from, told));
    };
    const act: RowActions['act'] = async (ref, text, given, openSteps = 0) => {
      const task = { ref, text, openSteps };
      const intention = decided([task], given);
      if (!intention) return null;
      const label = `${intentionName(intention)}: ${shorten(text)}`;
      const result = await actions.act(ref, intention, label);
      if ('refused' in result) {
        refuse(result.refused);
        return null;
      }
      told(withDue(label, [result.raw], [intention]), result.step);
      if (intention.do === 'status' && intention.status === 'done') offer(text, ref.path);
      return result.raw;
    };
    const actAll: RowActions['actAll'] = async (tasks, given) => {
      const [task] = tasks;
      const [first] = given;
      if (!task || !first) return [];
      if (tasks.length === 1 && given.length === 1) return [await act(task.ref, task.text, first, task.openSteps ?? 0)];
      const intentions: WideIntention[] = [];
      for (const one of given) {
        const intention = decided(tasks, one);
        if (!intention) return tasks.map(() => null);
        intentions.push(intention);
      }
      return actEach(tasks.map((one) => ({ task: one, intentions })));
    };
    const actEach: RowActions['actEach'] = async (acts) => {
      const tasks = acts.map(({ task }) => task);
      const [task] = tasks;
      if (!task) return [];
      const intentions = acts.flatMap((one) => one.intentions);
      const names = [...new Set(intentions.map(intentionName))].join(', ');
      const label = tasks.length === 1 ? `${names}: ${shorten(task.text)}` : `${names}: ${tasks.length} tasks`;
      const shown = tasks.length < TELL_FROM ? null : say(`${names}: 0 of ${tasks.length}`, { is: 'working' });
      let stopped = false;
      let last = 0;
      const breathe = breather();
      const progress = async (done: number): Promise<boolean> => {
        if (shown !== null && done - last >= TELL_EACH) {
          last = done;
          say(`${names}: ${done} of ${tasks.length}`, { id: shown, is: 'working', action: { words: 'Stop', act: () => (stopped = true) } });
        }
        await breathe();
        return stopped;
      };
      const result = await actions.actMany(
        acts.map((one) => ({ ref: one.task.ref, intentions: one.intentions })),
        label,
        progress,
      );
      if (shown !== null) unsay(shown);
      if ('refused' in result) {
        refuse(result.refused);
        return tasks.map(() => null);
      }
      tellMany(result, label, names, tasks, intentions, told);
      return result.raws;
    };
    return { act, actAll, actEach };
  }, [services, actions, told, dispatch, choice]);
}

function tellMany(
  { changed, notes, stayed, raws, step }: ManyResult,
  label: string,
  names: string,
  tasks: readonly DialogTask[],
  intentions: readonly WideIntention[],
  told: (words: string, step: number | null) => void,
): void {
  if (tasks.length === 1 && changed === 1) told(withDue(label, raws, intentions), step);
  else if (changed > 0) told(withDue(`${names}: ${counted(changed, 'line')} in ${counted(notes, 'note')}`, raws, intentions), step);
  if (stayed.length === 0) return;
  const lines = stayed.slice(0, 3).map(({ ref, reason }) => {
    const text = tasks.find((task) => task.ref === ref)?.text ?? ref.expected;
    return `“${shorten(text)}”: ${reason}`;
  });
  const more = stayed.length > 3 ? ` And ${stayed.length - 3} more.` : '';
  say(`${counted(stayed.length, 'line')} stayed as ${stayed.length === 1 ? 'it was' : 'they were'}. ${lines.join(' ')}${more}`, {
    is: 'refused',
    lasts: 10_000,
  });
}

/** What was done, and how many of the tasks that were carried on are due before the day they are planned for now. */
function withDue(words: string, raws: readonly (string | null)[], intentions: readonly WideIntention[]): string {
  if (!intentions.some((one) => one.do === 'push' || one.do === 'carry')) return words;
  const count = raws.filter((raw) => raw !== null && isDueBeforePlan(raw)).length;
  if (count === 0) return words;
  return `${words}; ${raws.length === 1 ? 'it is' : `${count} ${count === 1 ? 'is' : 'are'}`} due before that day`;
}

function isDueBeforePlan(raw: string): boolean {
  const tail = readTail(raw, 0);
  const [due, plan] = (['due', 'plan'] as const).map((name) => readSpan(clauseOf(tail, name)?.value ?? ''));
  return due != null && plan != null && due.from < plan.from;
}

/** `1 box`, `3 boxes`. */
export const counted = (count: number, word: string, many = `${word}s`): string => `${count} ${count === 1 ? word : many}`;
