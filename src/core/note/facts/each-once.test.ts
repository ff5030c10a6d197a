import fc from 'fast-check';
import { EachOnce } from './each-once';
import { runs } from '../../testing/test-runs';

it('keeps each name where it came first, however many there are', () => {
  const names = fc.array(fc.integer({ min: 0, max: 40 }).map(String), { maxLength: 120 });
  fc.assert(
    fc.property(names, names, (first, more) => {
      const found = new EachOnce(first);
      for (const name of more) found.add(name);
      expect(found.all).toEqual([...new Set([...first, ...more])]);
    }),
    { numRuns: runs(500), seed: 20261123 },
  );
});

it('what was taken out of it does not grow with it', () => {
  const found = new EachOnce(['a']);
  const before = found.all;
  found.add('b');
  expect(before).toEqual(['a']);
});
