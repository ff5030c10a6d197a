import type { Day } from '../../core/calendar/day';
import { type DateStyle, dayName } from '../../core/calendar/day-name';
import { nowOfDate, timeName } from '../../core/calendar/span';
import type { EarlierText } from '../../store/keep/earlier-text';

/** A moment as it is read: its day and its time. */
export function momentName(at: number, today: Day, style: DateStyle): string {
  const { day, minute } = nowOfDate(new Date(at));
  return `${dayName(day, today, style)} ${timeName(minute)}`;
}

/** What took the place of an earlier text. */
export function replacedBy({ by, label, gone }: Pick<EarlierText, 'by' | 'label' | 'gone'>): string {
  if (label !== null) return `before “${label}”`;
  switch (by) {
    case 'typing':
      return gone === 1 ? 'before it was deleted' : 'before more was written';
    case 'import':
      return 'before an import';
    case 'folder':
      return 'before a change in the folder';
    case 'outside':
      return 'before a change on an outside list';
    case 'lent':
      return 'before a borrower wrote';
    case 'undo':
      return 'before Undo or Redo';
    case 'shipped':
      return 'before a newer version of the page';
    case 'command':
      return 'before an action';
  }
}

/** A size as people read it. */
export function sizeName(size: number): string {
  if (size < 1000) return `${size} B`;
  if (size < 1_000_000) return `${(size / 1000).toFixed(size < 10_000 ? 1 : 0)} KB`;
  return size < 1_000_000_000 ? `${(size / 1_000_000).toFixed(1)} MB` : `${(size / 1_000_000_000).toFixed(1)} GB`;
}
