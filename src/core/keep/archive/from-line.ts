import { type Day, isoDay, readIsoDay } from '../../calendar/day';
import { withoutEnding } from '../../note/names/path';

/** Where lines of an archive stood before, and since when they are there. */
export interface CameFrom {
  /** The path of their note, without its ending. */
  path: string;
  day: Day;
}

/**
 * The line of an archive that says where the lines under it came from.
 *
 * @example fromLine('Projects/Catalogue.md', 20780) // 'from [[Projects/Catalogue]], 2026-11-23'
 */
export const fromLine = (path: string, day: Day): string => `from [[${withoutEnding(path)}]], ${isoDay(day)}`;

const SHAPE = /^from \[\[([^\]|]+)\]\], (\d{4}-\d{2}-\d{2})$/;

/** What such a line says; null for any other. */
export function readFromLine(line: string): CameFrom | null {
  const [, path, words] = SHAPE.exec(line.trim()) ?? [];
  const day = words === undefined ? null : readIsoDay(words);
  return path === undefined || day === null ? null : { path, day };
}
