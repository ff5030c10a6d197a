import { useEffect, useState } from 'react';
import type { Day } from '../../core/calendar/day';
import type { DayPlan } from '../../core/index/days/day-plan';
import type { Fit } from '../../core/index/days/fit';
import { useChanges } from '../session/asked/use-changes';
import { useNow, useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** A day turned to its plan, as it stands: asked anew when anything changes. Null until it is known. */
export function useDayPlan(day: Day): DayPlan | null {
  return useDayPlans(day, 1)?.[0] ?? null;
}

/** Several days in a row turned to their plans; see `useDayPlan`. */
export function useDayPlans(first: Day, count: number): DayPlan[] | null {
  const { engine } = useServices();
  const changes = useChanges();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const settings = useAppSelector((state) => state.settings);
  const { day: today } = useNow();
  const [found, setFound] = useState<{ first: Day; plans: DayPlan[] } | null>(null);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    const days = Array.from({ length: count }, (_, index) => first + index);
    void Promise.all(days.map((day) => engine.ask('dayPlan', { day }))).then((plans) => !gone && setFound({ first, plans }));
    return () => {
      gone = true;
    };
  }, [engine, isReady, changes, settings, first, count, today]);
  return found?.first === first && found.plans.length === count ? found.plans : null;
}

/** Whether work that is due can be done in time, as it stands; asked anew also when the minute turns. Null until it is known. */
export function useFit(): Fit | null {
  const { engine } = useServices();
  const changes = useChanges();
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const settings = useAppSelector((state) => state.settings);
  const { day: today, minute } = useNow();
  const [fit, setFit] = useState<Fit | null>(null);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    void engine.ask('fit', { after: minute }).then((answer) => !gone && setFit(answer));
    return () => {
      gone = true;
    };
  }, [engine, isReady, changes, settings, today, minute]);
  return fit;
}
