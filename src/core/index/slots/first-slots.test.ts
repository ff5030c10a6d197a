import fc from 'fast-check';
import { firstSlots } from './first-slots';
import { runs } from '../../testing/test-runs';

describe('the first so many slots', () => {
  it('are those that sorting everything puts first, with or without weights, whatever they tell apart', () => {
    const values = fc.array(fc.integer({ min: -5, max: 5 }), { maxLength: 80 });
    fc.assert(
      fc.property(values, fc.nat(90), fc.constantFrom<'exact' | 'coarse' | 'none'>('exact', 'coarse', 'none'), (ranks, most, kind) => {
        const slots = Int32Array.from(ranks, (_, index) => ranks.length - 1 - index);
        const compare = (a: number, b: number): number => (ranks[a] ?? 0) - (ranks[b] ?? 0) || a - b;
        const weigh = (slot: number): number => (kind === 'exact' ? (ranks[slot] ?? 0) : Math.floor((ranks[slot] ?? 0) / 4));
        const weights = kind === 'none' ? null : Float64Array.from(slots, weigh);
        expect(firstSlots(slots, most, weights, compare)).toEqual([...slots].sort(compare).slice(0, most));
      }),
      { numRuns: runs(1000), seed: 20261123 },
    );
  });

  it('compare nothing but those that weigh the same as the last', () => {
    let compared = 0;
    const compare = (a: number, b: number): number => {
      compared++;
      return a - b;
    };
    const slots = Int32Array.from({ length: 1000 }, (_, index) => index);
    expect(firstSlots(slots, 1, Float64Array.from(slots), compare)).toEqual([0]);
    expect(compared).toBe(0);
  });
});
