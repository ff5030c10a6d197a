import fc from 'fast-check';
import { Offsets } from './offsets';
import { runs } from '../../core/testing/test-runs';

describe('where the pieces of a list stand', () => {
  it('is the sum of what stands before them, also after some were measured', () => {
    const heights = fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 60 });
    const measured = fc.array(fc.tuple(fc.nat(59), fc.integer({ min: 1, max: 200 })), { maxLength: 20 });
    fc.assert(
      fc.property(heights, measured, fc.nat(9000), (first, later, distance) => {
        const offsets = new Offsets(Float64Array.from(first));
        const present = [...first];
        for (const [index, height] of later) {
          if (index >= present.length) continue;
          offsets.measured(index, height);
          present[index] = height;
          expect(offsets.heightOf(index)).toBe(height);
        }
        const sum = (to: number): number => present.slice(0, to).reduce((all, one) => all + one, 0);
        for (let index = 0; index <= present.length; index++) expect(offsets.of(index)).toBe(sum(index));
        const at = offsets.at(distance);
        expect(sum(at)).toBeLessThanOrEqual(distance);
        if (at < present.length) expect(sum(at + 1)).toBeGreaterThan(distance);
      }),
      { numRuns: runs(300), seed: 20261123 },
    );
  });

  it('above the top is the first piece, and below the foot what comes behind the last', () => {
    const offsets = new Offsets(Float64Array.from([10, 20]));
    expect([offsets.at(-5), offsets.at(0), offsets.at(9), offsets.at(10), offsets.at(30), offsets.at(99)]).toEqual([0, 0, 0, 1, 2, 2]);
  });
});
