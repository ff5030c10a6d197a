import { useMemo } from 'react';
import { statusTable } from '../../core/task/added-status';
import type { AddedStatus } from '../../core/task/status';
import type { ReadingSettings } from '../../core/task/task';
import { useAppSelector } from './state';

/** How texts are read, with the statuses that notes add; the same object until that changes. */
export function useReading(): ReadingSettings {
  const workingDay = useAppSelector((state) => state.settings.workingDay);
  const words = useAppSelector((state) => JSON.stringify(state.library.overview?.statuses ?? []));
  return useMemo(() => ({ workingDay, statuses: statusTable(JSON.parse(words) as AddedStatus[]) }), [workingDay, words]);
}
