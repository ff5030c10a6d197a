import { useMemo } from 'react';
import { useStore } from 'react-redux';
import type { InHand } from '../../../core/index/days/day-plan';
import type { RootState } from '../../session/state/state';
import { foundTaskRef } from '../../session/acting/task-dialog';
import { say } from '../../session/telling/messages';
import { useAct } from '../../session/acting/use-act';
import { useLatest } from '../../../ui/use-latest';
import { toBegin } from './use-hand';

/** Begins what comes now or next, and finishes what is in hand; each says it when there is nothing to be done. */
export function useHandRuns(): { begin: () => void; finish: () => void } {
  const { act } = useAct();
  const latest = useLatest({ act });
  // Read when it is asked for: nothing that runs it need be drawn again when another thing comes to hand.
  const store = useStore<RootState>();
  return useMemo(() => {
    const present = (): InHand | null => store.getState().library.hand;
    const begin = (): void => {
      const { act: acts } = latest.current;
      const hand = present();
      const task = hand && toBegin(hand)?.task;
      if (task) void acts(foundTaskRef(task), task.text, { do: 'status', status: 'underway' });
      else say('Nothing waits to be begun today.');
    };
    const finish = (): void => {
      const { act: acts } = latest.current;
      const hand = present();
      const item = hand?.now?.item;
      if (!item?.task) return void say('No task is in hand.');
      const next = hand?.then?.task ?? null;
      void acts(foundTaskRef(item.task), item.task.text, { do: 'status', status: 'done' }).then((raw) => {
        if (raw === null || !next) return;
        const start = (): void => void acts(foundTaskRef(next), next.text, { do: 'status', status: 'underway' });
        say(`Then comes: ${next.text}`, { action: { words: 'Begin it', act: start }, lasts: 10_000 });
      });
    };
    return { begin, finish };
  }, [latest, store]);
}
