import type { NotedStatus } from '../../../core/index/live/overview';
import { useAppSelector } from './state';

const NONE: readonly NotedStatus[] = [];

/** The statuses that notes add, in the order of the paths of their notes; of two with one sign, the first counts. */
export function useAddedStatuses(): readonly NotedStatus[] {
  return useAppSelector((state) => state.library.overview?.statuses ?? NONE);
}

/** The status of a sign that a note adds; undefined for none. */
export function useAddedStatus(sign: string | undefined): NotedStatus | undefined {
  return useAppSelector((state) =>
    sign === undefined ? undefined : state.library.overview?.statuses.find((status) => status.sign === sign),
  );
}
