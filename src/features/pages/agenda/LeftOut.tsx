import { useMemo, useState } from 'react';
import { leftOut } from '../../../core/gather/saying/left-out';
import { useAnswer } from '../../session/asked/use-answer';
import { AgendaLists } from './AgendaLists';

/** How many open tasks stand in none of the lists of a page; they show at a press. */
export function LeftOut({ gathers }: { gathers: readonly string[] }) {
  const text = useMemo(() => leftOut(gathers), [gathers]);
  const answer = useAnswer(text === null ? null : `${text}\nlimit 0`, null);
  const [isShown, setIsShown] = useState(false);
  if (text === null || !answer || (answer.total === 0 && !isShown)) return null;
  return (
    <section aria-label="In none of these lists" className="mt-4 border-t border-line pt-2">
      <button type="button" aria-expanded={isShown} className="quiet-button text-[0.9rem]" onClick={() => setIsShown(!isShown)}>
        {answer.total} open {answer.total === 1 ? 'task stands' : 'tasks stand'} in none of these lists
      </button>
      {isShown && <AgendaLists path="" gathers={[`${text}\ngroup by note`]} look="page" />}
    </section>
  );
}
