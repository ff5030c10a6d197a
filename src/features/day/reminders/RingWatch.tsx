import { useEffect, useState } from 'react';
import { useLatest } from '../../../ui/use-latest';
import { say, unsay } from '../../session/telling/messages';
import { frameSlice } from '../../session/state/frame-slice';
import { useNow } from '../../session/state/services';
import { useAppDispatch } from '../../session/state/state';
import { whenWords } from './ringing';
import { useAnswers } from './use-answers';
import { useRings } from './use-rings';

const MESSAGE = 'ringing';

/** Says what is to be remembered, in the tab that is looked at, until it is answered. */
export default function RingWatch() {
  const rings = useRings();
  const { answers } = useAnswers();
  const dispatch = useAppDispatch();
  const { day: today } = useNow();
  const isSeen = useSeen();
  const sign = isSeen ? rings.map(({ id }) => id).join('\n') : '';
  const latest = useLatest({ rings, answers, today });
  useEffect(() => {
    if (sign === '') return void unsay(MESSAGE);
    const { rings: told, answers: answer, today: day } = latest.current;
    const [ring] = told;
    if (!ring) return;
    if (told.length > 1) {
      say(`${told.length} reminders: ${told.map(({ text }) => text).join('; ')}`, {
        id: MESSAGE,
        lasts: Infinity,
        action: { words: 'Look through them', act: () => dispatch(frameSlice.actions.dialogShown({ is: 'reminders' })) },
      });
      return;
    }
    say(`${whenWords(ring, day)} ${ring.text}`, {
      id: MESSAGE,
      lasts: Infinity,
      choices: answer(ring),
    });
  }, [sign, latest, dispatch]);
  return null;
}

/** Whether this tab is looked at. */
function useSeen(): boolean {
  const [isSeen, setIsSeen] = useState(document.visibilityState === 'visible');
  useEffect(() => {
    const changed = (): void => setIsSeen(document.visibilityState === 'visible');
    document.addEventListener('visibilitychange', changed);
    return () => document.removeEventListener('visibilitychange', changed);
  }, []);
  return isSeen;
}
