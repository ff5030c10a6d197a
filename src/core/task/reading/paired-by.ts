/**
 * Which of some things were there before, by what they are known by, from what is surest on. Each is one at most; of several that are known by the
 * same, the first is the first.
 *
 * @returns for each the place it had among those before; -1 for one that is none of them
 * @example pairedBy(['b', 'A'], ['a', 'b'], [(one) => one, (one) => one.toLowerCase()]) // [1, 0]
 */
export function pairedBy<T>(before: readonly T[], after: readonly T[], known: readonly ((one: T) => string)[]): number[] {
  const places = after.map(() => -1);
  const taken = new Set<number>();
  for (const of of known) {
    const waiting = new Map<string, number[]>();
    before.forEach((one, place) => {
      if (taken.has(place)) return;
      const others = waiting.get(of(one));
      if (others) others.push(place);
      else waiting.set(of(one), [place]);
    });
    if (waiting.size === 0) break;
    after.forEach((one, at) => {
      const place = places[at] === -1 ? waiting.get(of(one))?.shift() : undefined;
      if (place === undefined) return;
      places[at] = place;
      taken.add(place);
    });
  }
  return places;
}
