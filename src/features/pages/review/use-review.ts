import { useCallback, useMemo } from 'react';
import { reviewAfter } from '../../../core/review/review-clock';
import { type ReviewStep, remarksOf, reviewSteps, wholeReview } from '../../../core/review/review-steps';
import { readNote } from '../../../core/task/reading/read-note';
import { withoutEnding } from '../../../core/note/names/path';
import { useChangeDay } from '../../day/use-change-day';
import { refuse } from '../../session/telling/messages';
import { useAct, useToldDone } from '../../session/acting/use-act';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

const SAID = { begin: 'Began', pause: 'Paused', 'go on': 'Went on with', finish: 'Finished' } as const;

export interface OpenReview {
  steps: readonly ReviewStep[];
  /** What was written into it beside its steps. */
  remarks: readonly string[];
  go: (what: keyof typeof SAID) => Promise<void>;
  tick: (step: ReviewStep) => Promise<void>;
  /** Puts the remarks onto today's page, with a link to the review. */
  keepRemarks: () => Promise<void>;
}

/** A review that lies open: its steps, and what can be done with it. */
export function useReview(path: string, title: string, text: string): OpenReview {
  const { actions, clock } = useServices();
  const { day: today } = useNow();
  const { act } = useAct();
  const told = useToldDone();
  const changeDay = useChangeDay(today);
  const heading = useAppSelector((state) => state.settings.slipHeading);
  const note = useMemo(() => readNote(path, text), [path, text]);
  const steps = useMemo(() => reviewSteps(note), [note]);
  const remarks = useMemo(() => remarksOf(note), [note]);
  const go = useCallback(
    async (what: keyof typeof SAID): Promise<void> => {
      const now = clock.now();
      const result = await actions.edit(path, `${SAID[what]}: ${title}`, (present) => ({ text: reviewAfter(present, what, now) }));
      if ('refused' in result) {
        refuse(result.refused);
        return;
      }
      told(`${SAID[what]}: ${title}`, result.step);
      const whole = what === 'finish' ? wholeReview(note) : null;
      // The task that holds the steps is done with the last of them; the front matter may have moved it.
      if (whole && steps.every(({ open }) => !open))
        await act({ path, line: whole.line, expected: whole.raw }, whole.text, { do: 'status', status: 'done' });
    },
    [actions, clock, path, title, told, note, steps, act],
  );
  const tick = useCallback(
    async ({ line, raw, words }: ReviewStep): Promise<void> =>
      void (await act({ path, line, expected: raw }, words, { do: 'status', status: 'done' })),
    [act, path],
  );
  const keepRemarks = useCallback(async (): Promise<void> => {
    const lines = [`- [[${withoutEnding(path)}]]`, ...remarks.map((words) => `  - ${words}`)];
    await changeDay(
      (page, made) => actions.writeLines(page, { heading, side: 'last' }, lines, `Remarks: ${title}`, made),
      'The remarks stand on today’s page.',
    );
  }, [actions, changeDay, heading, path, title, remarks]);
  return { steps, remarks, go, tick, keepRemarks };
}
