import { useMemo } from 'react';
import { foundTaskRef } from '../session/acting/task-dialog';
import { say } from '../session/acting/messages';
import { useAct } from '../session/acting/use-act';
import { useLatest } from '../../ui/use-latest';
import { toBegin, useHand } from './use-hand';

/** Begins what comes now or next, and finishes what is in hand; each says it when there is nothing to be done. */
export function useHandRuns(): { begin: () => void; finish: () => void } {
  const { act } = useAct();
  const latest = useLatest({ hand: useHand(), act });
  return useMemo(() => {
    const begin = (): void => {
      const { hand, act: acts } = latest.current;
      const task = hand && toBegin(hand)?.task;
      if (task) void acts(foundTaskRef(task), task.text, { do: 'status', status: 'underway' });
      else say('Nothing waits to be begun today.');
    };
    const finish = (): void => {
      const { hand, act: acts } = latest.current;
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
  }, [latest]);
}
