import { useEffect, useState } from 'react';
import type { CarryAnswer } from '../../../core/index/questions/past/carry';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { LEFT_ALONE, askLeftOpen } from './left-alone';

/** Changes that come in a row are asked about once, in milliseconds. */
const REST = 250;

/**
 * What earlier days left open, as it stands; null until it is known.
 *
 * @param most how many of them are told; all are counted
 */
export function useLeftOpen(most?: number): CarryAnswer | null {
  const { engine, store } = useServices();
  const overview = useAppSelector((state) => state.library.overview);
  const [found, setFound] = useState<CarryAnswer | null>(null);
  const [again, setAgain] = useState(0);
  useEffect(() => store.listen({ valueChanged: (id) => id === LEFT_ALONE && setAgain((count) => count + 1) }), [store]);
  const isReady = overview !== null;
  // What is open on which day says when it may be another.
  const days = overview?.days;
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    const timer = setTimeout(() => {
      void askLeftOpen({ store, engine }, most).then((answer) => !gone && setFound(answer));
    }, REST);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [engine, store, isReady, days, again, most]);
  return found;
}
