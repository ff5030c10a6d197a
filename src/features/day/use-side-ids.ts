import { useMemo } from 'react';
import { type Day, isoDay } from '../../core/calendar/day';
import { anySide } from '../../core/gather/answer/narrow';
import { useSides } from '../pages/agenda/use-sides';
import { useAnswer } from '../session/asked/use-answer';

/** The ids of the tasks of a day, or of several, that belong to the sides that are looked at; null when none looks away from anything. */
export function useSideIds(first: Day, last = first): ReadonlySet<string> | null {
  const condition = anySide(useSides());
  const [from, to] = [isoDay(first), isoDay(last)];
  const answer = useAnswer(
    condition === null
      ? null
      : `where ((plan >= ${from} and plan <= ${to}) or (journal >= ${from} and journal <= ${to})) and (${condition})\nsteps apart\nincluding resting`,
    null,
  );
  return useMemo(() => {
    if (condition === null) return null;
    return new Set(answer?.groups.flatMap(({ rows }) => rows.map(({ id }) => id)) ?? []);
  }, [condition, answer]);
}
