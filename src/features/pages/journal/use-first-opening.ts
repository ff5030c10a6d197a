import { useEffect } from 'react';
import { type Day, isoDay } from '../../../core/calendar/day';
import { deviceMemory } from '../../../store/device/device-memory';
import { say } from '../../session/telling/messages';
import { counted } from '../../session/acting/use-act';
import { frameSlice } from '../../session/state/frame-slice';
import { useNow, useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { askLeftOpen } from './left-alone';

const KEY = 'recado day';

/** Whether the desk was not opened yet on a day; it counts as opened once `useFirstOpening` ran. */
export const isFirstOpening = (day: Day): boolean => deviceMemory.get(KEY) !== isoDay(day);

/** At the first opening of a day it is said once how much earlier days left open, with the way to look through it. */
export function useFirstOpening(): void {
  const { engine, store } = useServices();
  const { day } = useNow();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const dispatch = useAppDispatch();
  useEffect(() => {
    const before = deviceMemory.get(KEY);
    if (!isReady || !isFirstOpening(day)) return;
    deviceMemory.set(KEY, isoDay(day));
    // On the very first day there are no earlier ones.
    if (before === null) return;
    void askLeftOpen({ store, engine }, 0).then(({ count }) => {
      if (count === 0) return;
      say(`${counted(count, 'task')} left from earlier days.`, {
        lasts: 20_000,
        action: { words: 'Look through', act: () => void dispatch(frameSlice.actions.dialogShown({ is: 'carry' })) },
      });
    });
  }, [engine, store, day, isReady, dispatch]);
}
