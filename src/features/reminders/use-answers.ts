import { useMemo } from 'react';
import { useNow, useServices } from '../session/state/services';
import { useAct } from '../session/acting/use-act';
import { useLatest } from '../../ui/use-latest';
import { RINGING, type Ring, later, putOff, readRings, withoutRings } from './ringing';

/** What one may say to a reminder. */
export interface RingAnswers {
  /** Its task is done, or begun. */
  status: (ring: Ring, status: 'done' | 'underway') => void;
  /** In so many minutes again. */
  putOff: (ring: Ring, minutes: number) => void;
  /** It was heard. */
  letGo: (rings: readonly Ring[]) => void;
}

/** Answers reminders: in all tabs they are answered then. */
export function useAnswers(): RingAnswers {
  const { store } = useServices();
  const { act } = useAct();
  const latest = useLatest({ act, now: useNow() });
  return useMemo((): RingAnswers => {
    const letGo: RingAnswers['letGo'] = (rings) => {
      const ids = new Set(rings.map(({ id }) => id));
      void store.changeValue(RINGING, (value) => withoutRings(readRings(value, latest.current.now), ids));
    };
    return {
      letGo,
      status: (ring, status) => {
        letGo([ring]);
        if (ring.raw !== null && ring.line !== null)
          void latest.current.act({ path: ring.path, line: ring.line, expected: ring.raw }, ring.text, { do: 'status', status });
      },
      putOff: (ring, minutes) => {
        const { now } = latest.current;
        void store.changeValue(RINGING, (value) => putOff(readRings(value, now), ring.id, later(now, minutes)));
      },
    };
  }, [store, latest]);
}
