import type { Day } from '../../../core/calendar/day';
import { isoDay } from '../../../core/calendar/day';

const encode = (path: string): string => path.split('/').map(encodeURIComponent).join('/');

/** The address of a note, and of a line in it (from 0). */
export function noteAddress(path: string, line?: number): string {
  return `/note/${encode(path)}${line === undefined ? '' : `?line=${line + 1}`}`;
}

export function dayAddress(day: Day): string {
  return `/day/${isoDay(day)}`;
}

export function tagAddress(tag: string): string {
  return `/tag/${encode(tag)}`;
}

export function personAddress(handle: string): string {
  return `/person/${encode(handle)}`;
}
