import type { Day } from '../../calendar/day';

/**
 * The day on which each line of a text was seen first, as runs of lines of one day: `[[12, 20780], [1, 20783]]` are
 * twelve lines of one day and one of a later one. It stands beside the text, never in it.
 */
export type LineDays = readonly (readonly [count: number, day: Day])[];

/** The day of a line (from 0); null for a line that the runs do not reach. */
export function dayOfLine(days: LineDays, line: number): Day | null {
  let end = 0;
  for (const [count, day] of days) {
    end += count;
    if (line < end) return day;
  }
  return null;
}

/**
 * The days of a text's lines after a change: a line that stayed keeps its day, one that was reworded in its place too,
 * and one that came has the day of the change.
 *
 * @example daysAfter('a\nb', [[2, 1]], 'a\nx\nb', 9) // [[1, 1], [1, 9], [1, 1]]
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

/** The lines that differ: equal ones keep their day wherever they stand, as many lines as before are taken as reworded. */
function middleDays(left: readonly string[], days: readonly Day[], came: readonly string[], today: Day): Day[] {
  if (left.length === came.length) return [...days];
  const byText = new Map<string, Day[]>();
  left.forEach((line, index) => {
    const found = byText.get(line);
    const day = days[index] ?? today;
    if (found) found.push(day);
    else byText.set(line, [day]);
  });
  return came.map((line) => byText.get(line)?.shift() ?? today);
}

function spread(days: LineDays, lines: number, today: Day): Day[] {
  const all: Day[] = [];
  for (const [count, day] of days) for (let line = 0; line < count && all.length < lines; line++) all.push(day);
  while (all.length < lines) all.push(today);
  return all;
}

function runsOf(days: readonly Day[]): LineDays {
  const runs: [number, Day][] = [];
  for (const day of days) {
    const last = runs[runs.length - 1];
    if (last?.[1] === day) last[0]++;
    else runs.push([1, day]);
  }
  return runs;
}
