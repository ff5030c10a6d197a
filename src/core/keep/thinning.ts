import { DAY, HOUR, WEEK } from './milliseconds';

/** An earlier text of a note, without the text. */
export interface KeptText {
  id: number;
  /** The id of the note. */
  note: string;
  /** When another text took its place, in milliseconds since 1970. */
  until: number;
  /** What it takes, in characters or bytes. */
  size: number;
  /** Whether its note went with it, by a deletion. */
  gone: boolean;
}

/** So long a deleted note can be brought back, whatever else is thinned. */
export const GONE_FOR = 60 * DAY;

/** How far apart texts of some age are kept: all of a day, then the last of each hour for a week, of each day for 60 days, of each week. */
const RULE: readonly { upTo: number; each: number }[] = [
  { upTo: DAY, each: 0 },
  { upTo: WEEK, each: HOUR },
  { upTo: 60 * DAY, each: DAY },
  { upTo: Infinity, each: WEEK },
];

/**
 * Which earlier texts are let go. All of the last day stay; before that the last of each hour for a week, of each day for 60 days and of each
 * week; and where they take more than they may, the oldest go. The last text of a deleted note stays for 60 days, and goes then.
 *
 * @param most how much they may take together
 * @returns the ids of those that go
 */
export function thinned(texts: readonly KeptText[], now: number, most: number): number[] {
  const gone: number[] = [];
  const kept: KeptText[] = [];
  const taken = new Set<string>();
  let size = 0;
  // The newest first: of each span of time its last text stays.
  for (const text of [...texts].sort((a, b) => b.until - a.until || b.id - a.id)) {
    const age = now - text.until;
    if (text.gone ? age > GONE_FOR : isTaken(text, age, taken)) {
      gone.push(text.id);
      continue;
    }
    size += text.size;
    kept.push(text);
  }
  for (let at = kept.length - 1; at >= 0 && size > most; at--) {
    const text = kept[at];
    if (!text || text.gone) continue;
    gone.push(text.id);
    size -= text.size;
  }
  return gone;
}

/** Whether a newer text of its note stands for the span of time it lies in. */
function isTaken({ note, until }: KeptText, age: number, taken: Set<string>): boolean {
  const each = RULE.find(({ upTo }) => age <= upTo)?.each ?? WEEK;
  if (each === 0) return false;
  const span = `${note} ${each} ${Math.floor(until / each)}`;
  if (taken.has(span)) return true;
  taken.add(span);
  return false;
}
