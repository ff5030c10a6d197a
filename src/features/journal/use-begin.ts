import { useEffect, useState } from 'react';
import { type Day, isoDay } from '../../core/calendar/day';
import { useMadeText } from '../session/acting/use-made-text';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** How the page of a day begins. */
interface Beginning {
  /** Makes the page from the template; null where nothing is to be begun. */
  begin: (() => void) | null;
  /** Whether it is being made by itself, so that nobody writes before it. */
  waits: boolean;
}

/** Makes the page of a day from the template for journal pages, where there is one: today's by itself, another when it is asked for. */
export function useBegin(path: string, day: Day, isAbsent: boolean): Beginning {
  const { actions } = useServices();
  const { day: today } = useNow();
  const madeText = useMadeText();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const [failed, setFailed] = useState(false);
  const [text, setText] = useState<string | null>(null);
  useEffect(() => {
    if (!isAbsent || !isReady) return;
    let gone = false;
    void madeText('journal', isoDay(day), day).then((made) => !gone && setText(made));
    return () => {
      gone = true;
    };
  }, [isAbsent, isReady, madeText, day]);
  const known = isAbsent && text !== '' ? text : null;
  const byItself = known !== null && day === today && !failed;
  useEffect(() => {
    // What cannot be stored now is no reason to keep anybody from writing.
    if (byItself) void actions.begin(path, known).then((result) => 'refused' in result && setFailed(true));
  }, [actions, path, known, byItself]);
  return {
    begin: known === null || byItself ? null : () => void actions.begin(path, known),
    waits: isAbsent && day === today && !failed && (text === null || byItself),
  };
}
