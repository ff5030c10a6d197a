import fc from 'fast-check';
import { Heaviest } from './heaviest';

interface One {
  weight: number;
  place: number;
}

const byWeight = (a: One, b: One): number => a.weight - b.weight || a.place - b.place;
const ONES = fc
  .array(fc.integer({ min: 0, max: 4 }), { maxLength: 60 })
  .map((weights) => weights.map((weight, place) => ({ weight, place })));

describe('the first so many in an order', () => {
  it('are those that sorting everything puts first, with or without a weight', () => {
    fc.assert(
      fc.property(ONES, fc.integer({ min: 0, max: 12 }), fc.boolean(), (ones, most, weighed) => {
        const kept = new Heaviest<One>(byWeight, most);
        for (const one of ones) kept.offer(one, weighed ? one.weight : 0);
        expect(kept.sorted()).toEqual([...ones].sort(byWeight).slice(0, most));
      }),
    );
  });

  it('a weight that tells only some apart leaves the rest to the comparison', () => {
    fc.assert(
      fc.property(ONES, fc.integer({ min: 1, max: 12 }), (ones, most) => {
        const kept = new Heaviest<One>(byWeight, most);
        for (const one of [...ones].reverse()) kept.offer(one, one.weight < 2 ? 0 : 1);
        expect(kept.sorted()).toEqual([...ones].sort(byWeight).slice(0, most));
      }),
    );
  });

  it('equal ones are compared, others are not', () => {
    let compared = 0;
    const kept = new Heaviest<One>((a, b) => {
      compared++;
      return byWeight(a, b);
    }, 1);
    for (const weight of [3, 9, 8, 7]) kept.offer({ weight, place: 0 }, weight);
    expect(compared).toBe(0);
    expect(kept.bound).toBe(3);
    kept.offer({ weight: 3, place: -1 }, 3);
    expect(compared).toBe(1);
    expect(kept.sorted()).toEqual([{ weight: 3, place: -1 }]);
  });
});
