import { useEffect, useState } from 'react';
import type { Day } from '../../../core/calendar/day';
import type { DayItem } from '../../../core/day/day-items';
import type { DayFigures } from '../../../core/day/day-figures';
import { useChanges } from '../../session/state/use-changes';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** What some days hold beside the rows of a gather: their appointments and meetings, and how full they are. */
export interface TimedDays {
  appointments: ReadonlyMap<Day, readonly DayItem[]>;
  figures: ReadonlyMap<Day, DayFigures>;
}

const NOTHING: TimedDays = { appointments: new Map(), figures: new Map() };

/** The appointments, meetings and figures of a range of days, asked anew when anything changes. */
export function useTimed({ from, to }: { from: Day; to: Day }): TimedDays {
  const { engine } = useServices();
  const changes = useChanges();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const [found, setFound] = useState(NOTHING);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    void Promise.all([engine.ask('timed', { from, to }), engine.ask('figures', { from, to })]).then(([timed, figures]) => {
      if (gone) return;
      setFound({
        appointments: new Map(timed.map(({ day, items }) => [day, items.filter(({ kind }) => kind !== 'task')])),
        figures: new Map(figures.map((one) => [one.day, one.figures])),
      });
    });
    return () => {
      gone = true;
    };
  }, [engine, changes, isReady, from, to]);
  return found;
}
