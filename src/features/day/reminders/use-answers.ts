import { useMemo } from 'react';
import { useNow, useServices } from '../../session/state/services';
import { useAct } from '../../session/acting/use-act';
import { useLatest } from '../../../ui/use-latest';
import { RINGING, type Ring, later, putOff, readRings, withoutRings } from './ringing';

/** What one may say to a reminder, and what that does. */
export interface RingAnswer {
  words: string;
  act: () => void;
}

export interface RingAnswers {
  /** All that one may say to a reminder; in all tabs it is answered then. */
  answers: (ring: Ring) => RingAnswer[];
  /** They were heard. */
  letGo: (rings: readonly Ring[]) => void;
}

/** Answers reminders. */
export function useAnswers(): RingAnswers {
  const { store } = useServices();
  const { act } = useAct();
  const latest = useLatest({ act, now: useNow() });
  return useMemo((): RingAnswers => {
    const letGo = (rings: readonly Ring[]): void => {
      const ids = new Set(rings.map(({ id }) => id));
      void store.changeValue(RINGING, (value) => withoutRings(readRings(value, latest.current.now), ids));
    };
    const wait = (ring: Ring, minutes: number) => (): void => {
      const { now } = latest.current;
      void store.changeValue(RINGING, (value) => putOff(readRings(value, now), ring.id, later(now, minutes)));
    };
    const turn = (ring: Ring, line: number, raw: string, status: 'done' | 'underway') => (): void => {
      letGo([ring]);
      void latest.current.act({ path: ring.path, line, expected: raw }, ring.text, { do: 'status', status });
    };
    return {
      letGo,
      answers: (ring) => {
        const { raw, line, why } = ring;
        const starts = why === 'start';
        return [
          ...(raw === null || line === null
            ? []
            : [{ words: starts ? 'Begin' : 'Done', act: turn(ring, line, raw, starts ? 'underway' : 'done') }]),
          { words: 'In 10 minutes', act: wait(ring, 10) },
          { words: 'In an hour', act: wait(ring, 60) },
          { words: 'Tomorrow', act: wait(ring, 1440) },
          { words: 'Heard', act: () => letGo([ring]) },
        ];
      },
    };
  }, [store, latest]);
}
