import { useEffect, useState } from 'react';
import { timeName } from '../../core/calendar/span';
import { useLatest } from '../../ui/use-latest';
import { say, unsay } from '../session/acting/messages';
import { frameSlice } from '../session/state/frame-slice';
import { useNow } from '../session/state/services';
import { useAppDispatch } from '../session/state/state';
import type { Ring } from './ringing';
import { useAnswers } from './use-answers';
import { useRings } from './use-rings';

const MESSAGE = 'ringing';

/** Says what is to be remembered, in the tab that is looked at, until it is answered. */
export default function RingWatch() {
  const rings = useRings();
  const answers = useAnswers();
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
      choices: [
        ...(ring.raw === null
          ? []
          : ring.why === 'start'
            ? [{ words: 'Begin', act: () => answer.status(ring, 'underway') }]
            : [{ words: 'Done', act: () => answer.status(ring, 'done') }]),
        { words: 'In 10 minutes', act: () => answer.putOff(ring, 10) },
        { words: 'In an hour', act: () => answer.putOff(ring, 60) },
        { words: 'Tomorrow', act: () => answer.putOff(ring, 1440) },
        { words: 'Heard', act: () => answer.letGo([ring]) },
      ],
    });
  }, [sign, latest, dispatch]);
  return null;
}

/** `09:40`, of an earlier day with the day before it. */
export function whenWords({ at }: Pick<Ring, 'at'>, today: number): string {
  const time = timeName(at.minute);
  if (at.day === today) return time;
  return at.day === today - 1 ? `yesterday ${time}` : `${today - at.day} days ago ${time}`;
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
