import type { Day } from '../../../calendar/day';
import type { Library } from '../../library';

/** A note in which lines were written on a day. */
export interface WrittenNote {
  path: string;
  title: string;
  /** The first of them (from 0), and how many there are. */
  line: number;
  count: number;
}

/** The notes in which lines were seen first on a day, the fullest first; what ships, and the day's own page, are not among them. */
export function writtenOn(library: Library, day: Day): WrittenNote[] {
  const found: WrittenNote[] = [];
  for (const { head, seen } of library.entries.values()) {
    if (!seen || head.journal === day || head.kind === 'agenda' || head.kind === 'template') continue;
    let line = 0;
    let first = -1;
    let count = 0;
    for (const [length, on] of seen) {
      if (on === day) {
        if (first === -1) first = line;
        count += length;
      }
      line += length;
    }
    if (count > 0) found.push({ path: head.path, title: head.title, line: first, count });
  }
  return found.sort((a, b) => b.count - a.count || (a.path < b.path ? -1 : 1));
}
