import { useMemo } from 'react';
import { useAppSelector } from '../../session/state/state';

/** The conditions of the sides that are looked at; none looks at all. */
export function useSides(): readonly string[] {
  const all = useAppSelector((state) => state.settings.sides);
  const chosen = useAppSelector((state) => state.frame.sides);
  return useMemo(() => all.flatMap(({ name, condition }) => (chosen.includes(name) ? [condition] : [])), [all, chosen]);
}
