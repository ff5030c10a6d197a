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
    const readPlace = async (): Promise<void> => {
      const value = await store.value(values.value);
      if (!gone) setPlace(latest.current(value));
    };
    const readState = async (): Promise<void> => {
      const told = await store.value(values.state);
      if (!gone) setState(readStepState(told));
    };
    void readPlace();
    void readState();
    const stop = store.listen({
      valueChanged: (id) => {
        // The place stays the same one while it is told how it goes: what was begun with it, an invitation say, goes on.
        if (id === values.value) void readPlace();
        else if (id === values.state) void readState();
      },
    });
    return () => {
      gone = true;
      stop();
    };
  }, [store, values, latest]);
  return { place, state, wish: (wanted) => void store.setValue(values.wish, { wish: wanted, at: Date.now() }) };
}
