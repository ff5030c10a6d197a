import type { Day } from '../../calendar/day';
import { foldName } from '../../note/names/names';
import type { GatherContext } from '../language/ast';
import type { Row } from '../rows/row';
import { isOpen } from '../../task/line/status';
import { dayOf } from '../../task/line/task';

/** Open, and it or a task it stands under comes back after today. */
export function isResting(row: Row, today: Day): boolean {
  return row.back !== null && row.back > today && isOpen(row.task.status);
}

/** Open and due before today. */
export function isLate(row: Row, today: Day): boolean {
  return row.task.due !== null && row.task.due.from < today && isOpen(row.task.status);
}

/** Caught and not yet placed: the definition stands in the language's section "Unsorted". */
export function isUnsorted(row: Row, isLoosePlace: (path: string) => boolean): boolean {
  const { task } = row;
  return (
    task.status === 'todo' &&
    dayOf(task) === null &&
    task.start === null &&
    task.priority === null &&
    task.owner === null &&
    row.ownTags.length === 0 &&
    row.ownLinks.length === 0 &&
    row.parent === null &&
    row.steps === 0 &&
    (row.head.journal !== null || isLoosePlace(row.head.path))
  );
}

/** The folded tag of what is off the table. */
export const notNowTag = (context: Pick<GatherContext, 'notNowTag'>): string => foldName(context.notNowTag ?? 'not-now');

/** Off the table: it bears or inherits the tag of that, or stands in a project that comes later. */
export const isSetAside = (row: Pick<Row, 'tags' | 'head'>, tag: string): boolean => row.head.later || row.tags.includes(tag);
