import { useMemo } from 'react';
import { type GoneHere, type GoneThere, answerGoneHere, answerGoneThere, answerLost } from '../../../../store/outside/answers';
import { refuse, say } from '../../../session/telling/messages';
import { counted, useToldDone } from '../../../session/acting/use-act';
import { useServices } from '../../../session/state/services';
import { useLookNow } from '../use-outside-lists';
import { whyFailed } from '../../../session/telling/why-failed';

/** What a person answers where something is gone on one side, or a line lost its ref. */
export interface OutsideAnswers {
  goneThere: (list: string, refs: readonly string[], answer: GoneThere) => void;
  goneHere: (list: string, refs: readonly string[], answer: GoneHere) => void;
  lost: (line: { path: string; line: number; raw: string }, ref: string | null) => void;
}

export function useAnswers(): OutsideAnswers {
  const { store, actions, outside } = useServices();
  const told = useToldDone();
  const look = useLookNow();
  return useMemo(() => {
    const doing = async (act: () => Promise<unknown>): Promise<void> => {
      try {
        await act();
        look();
      } catch (error) {
        refuse(whyFailed(error));
      }
    };
    return {
      goneThere: (list, refs, answer) =>
        void doing(async () => {
          const step = await answerGoneThere({ store, actions, desk: await outside.open() }, list, refs, answer);
          const many = refs.length > 1;
          const words = {
            keep: many ? 'They stay here alone, joined no more' : 'It stays here alone, joined no more',
            remove: 'Removed here too',
            again: many ? 'They are made there again' : 'It is made there again',
          };
          told(words[answer], step);
        }),
      goneHere: (list, refs, answer) =>
        void doing(async () => {
          await answerGoneHere(await outside.open(), list, refs, answer);
          say(
            answer === 'remove'
              ? `Taken off the list there: ${counted(refs.length, 'task')}.`
              : `Left on the list, joined no more: ${counted(refs.length, 'task')}.`,
          );
        }),
      lost: (line, ref) => void doing(async () => answerLost({ actions, desk: await outside.open() }, line, ref)),
    };
  }, [store, actions, outside, told, look]);
}
