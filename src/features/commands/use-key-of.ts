import { useMemo } from 'react';
import { useAppSelector } from '../session/state/state';
import { keysOf } from './definitions';

/** The key of each command, as the settings say. */
export function useCommandKeys(): ReadonlyMap<string, string | null> {
  const given = useAppSelector((state) => state.settings.keys);
  return useMemo(() => keysOf(given), [given]);
}
