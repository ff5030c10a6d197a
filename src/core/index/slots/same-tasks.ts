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
  const places = new Array<number>(after.length).fill(-1);
  let first = 0;
  while (first < before.length && first < after.length && before[first]?.raw === after[first]?.raw) places[first] = first++;
  let ends = 0;
  const most = Math.min(before.length, after.length) - first;
  while (ends < most && before[before.length - 1 - ends]?.raw === after[after.length - 1 - ends]?.raw) {
    ends++;
    places[after.length - ends] = before.length - ends;
  }
  const left = new Set<number>();
  for (let at = first; at < before.length - ends; at++) left.add(at);
  if (left.size === 0) return places;
  const match = (of: (one: Known) => string): void => {
    const waiting = new Map<string, number[]>();
    for (const at of left) {
      const said = of(before[at] as Known);
      const others = waiting.get(said);
      if (others) others.push(at);
      else waiting.set(said, [at]);
    }
    for (let at = first; at < after.length - ends; at++) {
      if (places[at] !== -1) continue;
      const found = waiting.get(of(after[at] as Known))?.shift();
      if (found === undefined) continue;
      places[at] = found;
      left.delete(found);
    }
  };
  match(({ raw }) => raw);
  match(({ text }) => text);
  for (let at = first; at < after.length - ends && left.size > 0; at++) {
    if (places[at] !== -1) continue;
    const next = (places[at - 1] ?? -1) + 1;
    // A line that came in front of one that is still there is new.
    if ((at === 0 || places[at - 1] !== -1) && left.delete(next)) places[at] = next;
  }
  return places;
}
