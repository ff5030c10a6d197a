import { useMemo } from 'react';
import { type GoneHere, type GoneThere, answerGoneHere, answerGoneThere, answerLost } from '../../store/outside/answers';
import { refuse, say } from '../session/acting/messages';
import { useToldDone } from '../session/acting/use-act';
import { useServices } from '../session/state/services';
import { useLookNow } from './use-outside-lists';

/** What a person answers where something is gone on one side, or a line lost its ref. */
export interface OutsideAnswers {
  goneThere: (list: string, ref: string, answer: GoneThere) => void;
  goneHere: (list: string, ref: string, answer: GoneHere) => void;
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
        refuse(error instanceof Error ? error.message : 'That could not be done; nothing was changed.');
      }
    };
    return {
      goneThere: (list, ref, answer) =>
        void doing(async () => {
          const step = await answerGoneThere({ store, actions, desk: await outside.open() }, list, ref, answer);
          const words = { keep: 'It stays here alone, joined no more', remove: 'Removed here too', again: 'It is made there again' }[
            answer
          ];
          told(words, step);
        }),
      goneHere: (list, ref, answer) =>
        void doing(async () => {
          await answerGoneHere({ desk: await outside.open() }, list, ref, answer);
          say(answer === 'remove' ? 'It is taken off the list there.' : 'It stays on the list, joined no more.');
        }),
      lost: (line, ref) => void doing(async () => answerLost({ actions, desk: await outside.open() }, line, ref)),
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what asks for a look is made anew with each drawing
  }, [store, actions, outside, told]);
}
