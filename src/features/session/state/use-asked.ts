import { useEffect, useMemo, useState } from 'react';
import type { QuestionName, Questions } from '../../../core/index/questions/questions';
import { useNow, useServices } from './services';
import { useAppSelector } from './state';
import { useChanges } from './use-changes';

/**
 * What a question of all notes is answered with, asked anew when notes or the day change; undefined until it is known, when all notes were read.
 *
 * @example const goals = useAsked('goals', {})
 */
export function useAsked<Name extends QuestionName>(name: Name, given: Questions[Name]['given']): Questions[Name]['answer'] | undefined {
  const { engine } = useServices();
  const changes = useChanges();
  const { day } = useNow();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const [answer, setAnswer] = useState<{ to: string; is: Questions[Name]['answer'] } | null>(null);
  // The same words are the same question, however often they are put together.
  const key = JSON.stringify(given);
  const asked = useMemo(() => JSON.parse(key) as Questions[Name]['given'], [key]);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    void engine.ask(name, asked).then((is) => !gone && setAnswer({ to: key, is }));
    return () => {
      gone = true;
    };
  }, [engine, isReady, name, key, asked, changes, day]);
  return answer?.to === key ? answer.is : undefined;
}
