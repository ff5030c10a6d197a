import { useMemo } from 'react';
import type { Day } from '../../../core/calendar/day';
import { takenBy } from '../../../core/day/hours/taken';
import { hoursOf } from '../../../core/day/hours/hours';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** The hours of a day, in minutes: what appointments leave of the working hours, and today what of that lies after now. */
export function useHours(day: Day): number {
  const { day: today, minute } = useNow();
  const settings = useAppSelector((state) => state.settings);
  const hours = useAppSelector((state) => state.library.overview?.days[day]?.hours ?? null);
  const timed = useAppSelector((state) => (day === today ? state.library.overview?.timed : undefined));
  return useMemo(() => {
    if (day === today) return hoursOf(day, takenBy(timed ?? []), settings, minute);
    return hours ?? hoursOf(day, [], settings);
  }, [day, today, minute, settings, hours, timed]);
}
