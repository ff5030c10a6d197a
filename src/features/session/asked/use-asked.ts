import { useEffect, useMemo, useState } from 'react';
import type { QuestionName, Questions } from '../../../core/index/questions/questions';
import { useNow, useServices } from '../state/services';
import { useAppSelector } from '../state/state';
import { useChanges } from './use-changes';

/**
 * What a question of all notes is answered with, asked anew when notes or the day change; undefined until it is known, when all notes were read,
 * and while nothing is asked.
 *
 * @param given what is asked about; null for nothing
 * @example const goals = useAsked('goals', {})
 */
export function useAsked<Name extends QuestionName>(
  name: Name,
  given: Questions[Name]['given'] | null,
): Questions[Name]['answer'] | undefined {
  const { engine } = useServices();
  const changes = useChanges();
  const { day } = useNow();
  // What was made just before is not heard of by its change, but by what the engine tells of the notes.
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const [answer, setAnswer] = useState<{ to: string; is: Questions[Name]['answer'] } | null>(null);
  // The same words are the same question, however often they are put together.
  const key = JSON.stringify(given);
  const asked = useMemo(() => JSON.parse(key) as Questions[Name]['given'] | null, [key]);
  useEffect(() => {
    if (!notes || asked === null) return;
    let gone = false;
    void engine.ask(name, asked).then((is) => !gone && setAnswer({ to: key, is }));
    return () => {
      gone = true;
    };
  }, [engine, notes, name, key, asked, changes, day]);
  return answer?.to === key ? answer.is : undefined;
}
