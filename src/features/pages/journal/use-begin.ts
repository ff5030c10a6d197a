import { useEffect, useState } from 'react';
import { type Day, isoDay } from '../../../core/calendar/day';
import { useLatest } from '../../../ui/use-latest';
import { useMadeText } from '../../session/acting/use-made-text';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

const AS_IT_IS = (text: string): string => text;

/** How the page of a day begins. */
interface Beginning {
  /** Makes the page from the template; null where nothing is to be begun. */
  begin: (() => void) | null;
  /** Whether it is being made by itself, so that nobody writes before it. */
  waits: boolean;
}

/**
 * Makes the page of a day from the template for journal pages, where there is one: today's by itself, another when it is asked for.
 *
 * @param journal the name of another journal, whose pages are always begun so
 * @param begins what such a page says besides
 */
export function useBegin(
  path: string,
  day: Day,
  isAbsent: boolean,
  journal: string | null = null,
  begins: (text: string) => string = AS_IT_IS,
): Beginning {
  const { actions } = useServices();
  const { day: today } = useNow();
  const madeText = useMadeText();
  const latest = useLatest(begins);
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const [failed, setFailed] = useState(false);
  const [text, setText] = useState<string | null>(null);
  useEffect(() => {
    if (!isAbsent || !isReady) return;
    let gone = false;
    void madeText('journal', isoDay(day), day, journal).then((made) => !gone && setText(made));
    return () => {
      gone = true;
    };
  }, [isAbsent, isReady, madeText, day, journal]);
  // A page of another journal must say whose it is: it is never begun by the first word alone.
  const isSaid = journal !== null;
  const known = isAbsent && text !== null && (text !== '' || isSaid) ? text : null;
  const byItself = known !== null && day === today && !failed;
  useEffect(() => {
    // What cannot be stored now is no reason to keep anybody from writing.
    if (byItself) void actions.begin(path, latest.current(known)).then((result) => 'refused' in result && setFailed(true));
  }, [actions, path, known, byItself, latest]);
  return {
    begin: known === null || byItself ? null : () => void actions.begin(path, begins(known)),
    waits: isAbsent && (isSaid || (day === today && !failed && (text === null || byItself))),
  };
}
