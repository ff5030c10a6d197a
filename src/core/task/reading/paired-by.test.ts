import fc from 'fast-check';
import { pairedBy } from './paired-by';

const KNOWN = [(one: string) => one, (one: string) => one.toLowerCase()];

it.each([
  ['by what is surest first', ['a', 'b'], ['b', 'A'], [1, 0]],
  ['in their order where several are known by the same', ['a', 'a'], ['a', 'a', 'a'], [0, 1, -1]],
  ['not by what is less sure where another is it for sure', ['A'], ['a', 'A'], [-1, 0]],
  ['not at all', ['a'], ['b'], [-1]],
])('things are paired %s', (_, before, after, places) => expect(pairedBy(before, after, KNOWN)).toEqual(places));

it('each is one at most, and as many are paired as are known by the same', () => {
  const some = fc.array(fc.constantFrom('a', 'A', 'b', 'B', 'c'), { maxLength: 10 });
  fc.assert(
    fc.property(some, some, (before, after) => {
      const places = pairedBy(before, after, KNOWN).filter((place) => place !== -1);
      expect(new Set(places).size).toBe(places.length);
      const count = (all: string[], letter: string): number => all.filter((one) => one.toLowerCase() === letter).length;
      const most = ['a', 'b', 'c'].reduce((sum, letter) => sum + Math.min(count(before, letter), count(after, letter)), 0);
      expect(places).toHaveLength(most);
    }),
  );
});
