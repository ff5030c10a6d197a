import { useMemo } from 'react';
import type { Day } from '../../../core/calendar/day';
import type { DayItem } from '../../../core/day/day-items';
import type { DayFigures } from '../../../core/day/plan/day-figures';
import { useAsked } from '../../session/asked/use-asked';

/** What some days hold beside the rows of a gather: their appointments and meetings, and how full they are. */
export interface TimedDays {
  appointments: ReadonlyMap<Day, readonly DayItem[]>;
  figures: ReadonlyMap<Day, DayFigures>;
}

const NOTHING: TimedDays = { appointments: new Map(), figures: new Map() };

/** The appointments, meetings and figures of a range of days, asked anew when anything changes. */
export function useTimed({ from, to }: { from: Day; to: Day }): TimedDays {
  const timed = useAsked('timed', { from, to });
  const figures = useAsked('figures', { from, to });
  return useMemo(() => {
    if (!timed || !figures) return NOTHING;
    return {
      appointments: new Map(timed.map(({ day, items }) => [day, items.filter(({ kind }) => kind !== 'task')])),
      figures: new Map(figures.map((one) => [one.day, one.figures])),
    };
  }, [timed, figures]);
}
