import { useEffect, useState } from 'react';
import { useServices } from '../../session/state/services';
import { useLatest } from '../../../ui/use-latest';
import { type StepState, type StepValues, type StepWish, readStepState } from './step-state';

/** A place that is kept in step, as a page follows it. */
interface FollowedPlace<T> {
  /** Null where none is joined. */
  place: T | null | 'unknown';
  /** How the last look at it went. */
  state: StepState | null;
  /** Asks the tab that keeps it in step to do something. */
  wish: (wanted: StepWish) => void;
}

/** Follows a place that is kept in step, whichever tab keeps it. */
export function useStepPlace<T>(values: StepValues, read: (value: unknown) => T | null): FollowedPlace<T> {
  const { store } = useServices();
  const [place, setPlace] = useState<T | null | 'unknown'>('unknown');
  const [state, setState] = useState<StepState | null>(null);
  const latest = useLatest(read);
  useEffect(() => {
    let gone = false;
    const look = async (): Promise<void> => {
      const [value, told] = await Promise.all([store.value(values.value), store.value(values.state)]);
      if (gone) return;
      setPlace(latest.current(value));
      setState(readStepState(told));
    };
    void look();
    const stop = store.listen({ valueChanged: (id) => void ((id === values.value || id === values.state) && look()) });
    return () => {
      gone = true;
      stop();
    };
  }, [store, values, latest]);
  return { place, state, wish: (wanted) => void store.setValue(values.wish, { wish: wanted, at: Date.now() }) };
}
