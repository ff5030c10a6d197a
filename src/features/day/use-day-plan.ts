import { useEffect, useState } from 'react';
import type { Day } from '../../core/calendar/day';
import type { Fit } from '../../core/index/days/fit';
import type { PlanItem, Stray } from '../../core/index/days/day-plan';
import { useChanges } from '../session/state/use-changes';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** A day in its order, and whether work that is due can be done in time. */
export interface DayMatterShown {
  items: readonly PlanItem[];
  strays: readonly Stray[];
  fit: Fit;
}

/** How a day turned to its plan stands; asked anew when anything changes, and when the minute turns. Null until it is known. */
export function useDayPlan(day: Day): DayMatterShown | null {
  const { engine } = useServices();
  const changes = useChanges();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const settings = useAppSelector((state) => state.settings);
  const { day: today, minute } = useNow();
  const [found, setFound] = useState<(DayMatterShown & { day: Day }) | null>(null);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    void Promise.all([engine.ask('dayPlan', { day }), engine.ask('fit', { after: minute })]).then(([{ items, strays }, fit]) => {
      if (!gone) setFound({ day, items, strays, fit });
    });
    return () => {
      gone = true;
    };
  }, [engine, isReady, changes, settings, day, today, minute]);
  return found?.day === day ? found : null;
}
