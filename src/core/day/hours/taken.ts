import type { DayItem } from '../day-items';
import type { Stretch } from './hours';

/** What appointments and meetings take of a day. */
export function takenBy(items: readonly DayItem[]): Stretch[] {
  return items.flatMap(({ kind, start, end }) => (kind === 'task' || start === null || end === null ? [] : [{ from: start, to: end }]));
}
