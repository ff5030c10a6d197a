import { useCallback } from 'react';
import { type Day, isoDay } from '../../core/calendar/day';
import { journalPathOf } from '../../core/index/live/journal-claims';
import type { ActionResult } from '../../store/acting/note-actions';
import { refuse } from '../session/telling/messages';
import { useToldDone } from '../session/acting/use-act';
import { useMadeText } from '../session/acting/use-made-text';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** Changes the page of a day: it is given the path, and the text with which the page begins where there is none yet. */
export type ChangeDay = (change: (path: string, made: string) => Promise<ActionResult>, told: string | null) => Promise<boolean>;

/**
 * Changes the page of a day, which is made from its template when it is not there. What was refused is told; what was done, in the words
 * that are given, with its Undo.
 *
 * @returns whether it was done
 */
export function useChangeDay(day: Day): ChangeDay {
  const { store } = useServices();
  const told = useToldDone();
  const madeText = useMadeText();
  const path = useAppSelector((state) => journalPathOf(state.library.overview?.notes ?? [], day));
  return useCallback(
    async (change, words) => {
      const made = (await store.text(path)) === null ? await madeText('journal', isoDay(day), day) : '';
      const result = await change(path, made);
      if ('refused' in result) refuse(result.refused);
      else if (words !== null) told(words, result.step);
      return !('refused' in result);
    },
    [store, told, madeText, path, day],
  );
}
