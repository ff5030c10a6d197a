import { pairedBy } from '../../task/reading/paired-by';

/** What a task is known by. */
interface Known {
  /** The whole line. */
  raw: string;
  /** Its words, without box and tail. */
  text: string;
}

/**
 * Which tasks of a note as it is were there before: by the whole line, else by the words, else by standing behind the one it stood behind.
 *
 * @returns for each the place it had among those before; -1 for one that came
 * @example sameTasks([line('- [ ] a'), line('- [ ] b')], [line('- [ ] new'), line('- [x] a'), line('- [ ] b')]) // [-1, 0, 1]
 */
export function sameTasks(before: readonly Known[], after: readonly Known[]): number[] {
  // Most changes leave nearly all tasks of a note as they were: only those between are looked for.
  const most = Math.min(before.length, after.length);
  let first = 0;
  while (first < most && before[first]?.raw === after[first]?.raw) first++;
  let ends = 0;
  while (ends < most - first && before[before.length - 1 - ends]?.raw === after[after.length - 1 - ends]?.raw) ends++;
  const inside = between(before.slice(first, before.length - ends), after.slice(first, after.length - ends));
  return after.map((_, at) => {
    if (at < first) return at;
    if (at >= after.length - ends) return at - after.length + before.length;
    const place = inside[at - first] ?? -1;
    return place === -1 ? -1 : place + first;
  });
}

function between(before: readonly Known[], after: readonly Known[]): number[] {
  const places = pairedBy(before, after, [({ raw }) => raw, ({ text }) => text]);
  const left = new Set(before.keys());
  for (const place of places) left.delete(place);
  for (let at = 0; at < places.length && left.size > 0; at++) {
    const above = at === 0 ? -1 : (places[at - 1] ?? -1);
    // A line that came in front of one that is still there is new, and so is what stands behind it.
    if (places[at] === -1 && (at === 0 || above !== -1) && left.delete(above + 1)) places[at] = above + 1;
  }
  return places;
}
