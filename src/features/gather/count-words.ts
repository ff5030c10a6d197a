import { durationName } from '../../core/calendar/duration';
import type { GroupView } from '../../core/index/view';

/** `4 · 3h 10`: how many, and how long they take. */
export function countWords({ count, takes }: Pick<GroupView, 'count' | 'takes'>): string {
  return takes === 0 ? String(count) : `${count} · ${durationName(takes)}`;
}
