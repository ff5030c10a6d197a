import { WEEK } from './milliseconds';

/** A copy that is kept somewhere. */
export interface Copy {
  name: string;
  /** When it was made, in milliseconds since 1970. */
  at: number;
}

/** So many of the newest stay, and beyond them one a week, so many weeks back. */
const NEWEST = 7;
const WEEKS = 8;

/** The name of the file of a copy, by the time of the clock on the wall: `recado 2026-11-23 0920.zip`. */
export function copyName(at: Date): string {
  const two = (value: number): string => String(value).padStart(2, '0');
  return `recado ${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}${two(at.getMinutes())}.zip`;
}

/** When the copy was made that has this name; null where it is no name of a copy. */
export function copyTime(name: string): number | null {
  const found = /^recado (\d{4})-(\d\d)-(\d\d) (\d\d)(\d\d)\.zip$/.exec(name);
  if (!found) return null;
  const [year = 0, month = 0, day = 0, hours = 0, minutes = 0] = found.slice(1).map(Number);
  return new Date(year, month - 1, day, hours, minutes).getTime();
}

/** Which copies go: the seven newest stay, and of the eight weeks before them the newest of each. */
export function copiesToLetGo(copies: readonly Copy[]): Copy[] {
  const sorted = [...copies].sort((a, b) => b.at - a.at);
  // Weeks that stand still: counted back from the newest copy, none would ever grow old.
  const weekOf = (at: number): number => Math.floor(at / WEEK);
  const newest = weekOf(sorted[0]?.at ?? 0);
  const weeks = new Set<number>();
  return sorted.slice(NEWEST).filter(({ at }) => {
    const week = weekOf(at);
    if (newest - week > WEEKS || weeks.has(week)) return true;
    weeks.add(week);
    return false;
  });
}
