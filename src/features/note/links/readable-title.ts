import { dayTitle } from '../../../core/calendar/day-name';
import { dayOfTitle } from '../../../core/note/names/path';

/** A title as one reads it out: that of a journal page says its day in words. */
export function readableTitle(title: string): string {
  const day = dayOfTitle(title);
  return day === null ? title : dayTitle(day);
}
