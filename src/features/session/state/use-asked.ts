import { useEffect, useState } from 'react';
import type { QuestionName, Questions } from '../../../core/index/questions/questions';
import { useServices } from './services';
import { useAppSelector } from './state';
import { useChanges } from './use-changes';

/** While notes are still being looked through, it is asked again after so many milliseconds. */
const AGAIN = 400;

/** Questions whose answers say how many notes are not looked through yet. */
type Growing = { [Name in QuestionName]: Questions[Name]['answer'] extends { left: number } ? Name : never }[QuestionName];

/**
 * The answer to a question of all notes, as it stands: asked anew when anything changes, and again while it still grows. Until it is
 * known what was answered last; null at first.
 *
 * @param given the same object as long as the same is asked
 */
export function useAsked<Name extends Growing>(name: Name, given: Questions[Name]['given']): Questions[Name]['answer'] | null {
  const { engine } = useServices();
  const changes = useChanges();
  const ready = useAppSelector((state) => state.library.overview !== null);
  const [found, setFound] = useState<Questions[Name]['answer'] | null>(null);
  useEffect(() => {
    if (!ready) return;
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const ask = async (): Promise<void> => {
      const answer = await engine.ask(name, given);
      if (gone) return;
      setFound(answer);
      if (answer.left > 0) timer = setTimeout(() => void ask(), AGAIN);
    };
    void ask();
    return () => {
      gone = true;
      if (timer) clearTimeout(timer);
    };
  }, [engine, ready, changes, name, given]);
  return found;
}
