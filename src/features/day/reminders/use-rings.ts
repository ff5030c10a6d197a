import { useEffect, useState } from 'react';
import { useNow, useServices } from '../../session/state/services';
import { RINGING, type Ring, type RingMemory, readRings, toldAt } from './ringing';

/** The reminders that are to be told now, in this tab as in all others. */
export function useRings(): readonly Ring[] {
  const { store, clock } = useServices();
  const now = useNow();
  const [memory, setMemory] = useState<RingMemory | null>(null);
  useEffect(() => {
    const read = (): void => void store.value(RINGING).then((value) => setMemory(readRings(value, clock.now())));
    read();
    return store.listen({ valueChanged: (id) => id === RINGING && read() });
  }, [store, clock]);
  return memory ? toldAt(memory, now) : NONE;
}

const NONE: readonly Ring[] = [];
