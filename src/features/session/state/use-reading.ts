import { useMemo } from 'react';
import { statusTable } from '../../../core/task/line/added-status';
import type { AddedStatus } from '../../../core/task/line/status';
import type { ReadingSettings } from '../../../core/task/line/task';
import { useAppSelector } from './state';

/** How texts are read, with the statuses that notes add; the same object until that changes. */
export function useReading(): ReadingSettings {
  const workingDay = useAppSelector((state) => state.settings.workingDay);
  const words = useAppSelector((state) => JSON.stringify(state.library.overview?.statuses ?? []));
  return useMemo(() => ({ workingDay, statuses: statusTable(JSON.parse(words) as AddedStatus[]) }), [workingDay, words]);
}
