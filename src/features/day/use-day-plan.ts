import { useEffect, useState } from 'react';
import type { Day } from '../../core/calendar/day';
import type { DayPlan } from '../../core/index/days/day-plan';
import type { Fit } from '../../core/index/days/fit';
import { useChanges } from '../session/state/use-changes';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** A day turned to its plan, as it stands: asked anew when anything changes. Null until it is known. */
export function useDayPlan(day: Day): DayPlan | null {
  const { engine } = useServices();
  const changes = useChanges();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const settings = useAppSelector((state) => state.settings);
  const { day: today } = useNow();
  const [found, setFound] = useState<{ day: Day; plan: DayPlan } | null>(null);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    void engine.ask('dayPlan', { day }).then((plan) => !gone && setFound({ day, plan }));
    return () => {
      gone = true;
    };
  }, [engine, isReady, changes, settings, day, today]);
  return found?.day === day ? found.plan : null;
}

/** Whether work that is due can be done in time, as it stands; asked anew also when the minute turns. Null until it is known. */
export function useFit(): Fit | null {
  const { engine } = useServices();
  const changes = useChanges();
  const settings = useAppSelector((state) => state.settings);
  const { day: today, minute } = useNow();
  const [fit, setFit] = useState<Fit | null>(null);
  useEffect(() => {
    let gone = false;
    void engine.ask('fit', { after: minute }).then((answer) => !gone && setFit(answer));
    return () => {
      gone = true;
    };
  }, [engine, changes, settings, today, minute]);
  return fit;
}
