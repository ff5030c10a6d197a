import type { Day } from '../../calendar/day';

/**
 * The day on which each line of a text was seen first, as runs of lines of one day: `[[12, 20780], [1, 20783]]` are
 * twelve lines of one day and one of a later one. Lines that were reworded since bear that day too: `[1, 20783, 20790]`.
 * It stands beside the text, never in it.
 */
export type LineDays = readonly LineRun[];

type LineRun = readonly [count: number, day: Day, touched?: Day];

/** The day of a line (from 0); null for a line that the runs do not reach. */
export const dayOfLine = (days: LineDays, line: number): Day | null => runAt(days, line)?.[1] ?? null;

/** The day on which a line was written or changed last; null for a line that the runs do not reach. */
export function touchedOfLine(days: LineDays, line: number): Day | null {
  const run = runAt(days, line);
  return run ? (run[2] ?? run[1]) : null;
}

/** The days on which the oldest line of a text came, and on which one changed last; null of a text without lines. */
export function daysOfText(days: LineDays): { created: Day | null; changed: Day | null } {
  let created: Day | null = null;
  let changed: Day | null = null;
  for (const [, day, touched = day] of days) {
    if (created === null || day < created) created = day;
    if (changed === null || touched > changed) changed = touched;
  }
  return { created, changed };
}

function runAt(days: LineDays, line: number): LineRun | null {
  let end = 0;
  for (const run of days) {
    end += run[0];
    if (line < end) return run;
  }
  return null;
}

/** When a line was seen first, and when it changed last. */
interface Seen {
  first: Day;
  touched: Day;
}

/**
 * The days of a text's lines after a change: a line that stayed keeps its days, one that was reworded in its place the first of them,
 * and one that came has the day of the change.
 *
 * @example daysAfter('a\nb', [[2, 1]], 'a\nx\nb', 9) // [[1, 1], [1, 9], [1, 1]]
 * @example daysAfter('a\nb', [[2, 1]], 'a\nx', 9) // [[1, 1], [1, 1, 9]]
 */
export function daysAfter(before: string, days: LineDays, after: string, today: Day): LineDays {
  const old = before.split('\n');
  const next = after.split('\n');
  const known = spread(days, old.length, today);
  const shortest = Math.min(old.length, next.length);
  let head = 0;
  while (head < shortest && old[head] === next[head]) head++;
  let foot = 0;
  while (foot < shortest - head && old[old.length - 1 - foot] === next[next.length - 1 - foot]) foot++;
  const left = old.slice(head, old.length - foot);
  const came = next.slice(head, next.length - foot);
  const middle = middleDays(left, known.slice(head, known.length - foot), came, today);
  return runsOf([...known.slice(0, head), ...middle, ...known.slice(known.length - foot)]);
}

/** The lines that differ: equal ones keep their days wherever they stand, as many lines as before are taken as reworded. */
function middleDays(left: readonly string[], days: readonly Seen[], came: readonly string[], today: Day): Seen[] {
  if (left.length === came.length)
    return days.map((seen, index) => (left[index] === came[index] ? seen : { first: seen.first, touched: today }));
  const byText = new Map<string, Seen[]>();
  left.forEach((line, index) => {
    const found = byText.get(line);
    const seen = days[index] ?? { first: today, touched: today };
    if (found) found.push(seen);
    else byText.set(line, [seen]);
  });
  return came.map((line) => byText.get(line)?.shift() ?? { first: today, touched: today });
}

function spread(days: LineDays, lines: number, today: Day): Seen[] {
  const all: Seen[] = [];
  for (const [count, first, touched = first] of days)
    for (let line = 0; line < count && all.length < lines; line++) all.push({ first, touched });
  while (all.length < lines) all.push({ first: today, touched: today });
  return all;
}

function runsOf(days: readonly Seen[]): LineDays {
  const runs: [number, Day, Day?][] = [];
  for (const { first, touched } of days) {
    const last = runs[runs.length - 1];
    if (last?.[1] === first && (last[2] ?? first) === touched) last[0]++;
    else runs.push(touched === first ? [1, first] : [1, first, touched]);
  }
  return runs;
}
