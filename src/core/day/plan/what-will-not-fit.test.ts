import fc from 'fast-check';
import { type DueLoad, whatWillNotFit } from './what-will-not-fit';
import { runs } from '../../testing/test-runs';

const load = (due: number, minutes: number, more: Partial<DueLoad & { name: string }> = {}) => ({
  due,
  minutes,
  from: 0,
  priority: null,
  name: '',
  ...more,
});

/** Days from 0 on, of so many minutes each. */
const each = (minutes: number) => (day: number) => Math.max(0, day + 1) * minutes;

describe('what will not fit', () => {
  it.each([
    ['nothing', [], 60, []],
    ['all fits to the minute', [load(0, 60), load(1, 60)], 60, []],
    ['the longest goes', [load(0, 20, { name: 'a' }), load(0, 50, { name: 'b' }), load(0, 10, { name: 'c' })], 60, ['b']],
    [
      'the fewest, also where one is due later',
      [load(0, 30, { name: 'a' }), load(1, 90, { name: 'b' }), load(1, 30, { name: 'c' })],
      60,
      ['b'],
    ],
    [
      'low goes before normal, high and top',
      [load(0, 40, { name: 'top', priority: 'top' }), load(0, 40, { name: 'low', priority: 'low' }), load(0, 40, { name: 'normal' })],
      80,
      ['low'],
    ],
    [
      'of equals the one that is due later',
      [load(0, 50, { name: 'a' }), load(1, 50, { name: 'b' }), load(1, 50, { name: 'c' })],
      60,
      ['c'],
    ],
    ['what does not fit alone is first', [load(0, 30, { name: 'a' }), load(0, 61, { name: 'b' })], 60, ['b alone']],
    ['also where it comes back too late', [load(2, 90, { name: 'a', from: 2 }), load(2, 90, { name: 'b' })], 60, ['a alone']],
    ['days without hours', [load(0, 5, { name: 'a' }), load(3, 5, { name: 'b' })], 0, ['a alone', 'b alone']],
  ])('%s', (_what, loads, minutes, names) => {
    expect(whatWillNotFit(loads, each(minutes)).map((one) => one.load.name + (one.alone ? ' alone' : ''))).toEqual(names);
  });

  // M. L. Pinedo, "Scheduling: Theory, Algorithms, and Systems", on minimizing the number of late jobs on one machine: five jobs of
  // 7, 8, 4, 6, 6 due at 9, 17, 18, 19, 21; two are late, in an optimal order 3, 4, 5, 1, 2. (The example from memory.)
  it('finds what a textbook finds', () => {
    const jobs = [
      [7, 9],
      [8, 17],
      [4, 18],
      [6, 19],
      [6, 21],
    ] as const;
    const moved = whatWillNotFit(
      jobs.map(([minutes, due]) => load(due, minutes)),
      (day) => Math.max(0, day),
    );
    expect(moved.map((one) => one.load.minutes).sort()).toEqual([7, 8]);
  });

  const LOADS = fc.array(
    fc.record({
      due: fc.integer({ min: 0, max: 6 }),
      minutes: fc.integer({ min: 1, max: 12 }),
      priority: fc.constantFrom('top' as const, 'high' as const, null, 'low' as const),
      from: fc.constant(0),
    }),
    { maxLength: 11 },
  );
  const HOURS = fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 7, maxLength: 7 });
  const sum = (numbers: readonly number[]): number => numbers.reduce((all, one) => all + one, 0);

  /** Whether some loads can be done in time: by each day no more is due than was there (earliest due first is best: J. R. Jackson 1955, from memory). */
  const isFeasible = (loads: readonly DueLoad[], hours: readonly number[]): boolean =>
    hours.every((_one, day) => sum(loads.filter(({ due }) => due <= day).map(({ minutes }) => minutes)) <= sum(hours.slice(0, day + 1)));

  it('leaves what can be done, and moves as few as trying all subsets finds', () => {
    fc.assert(
      fc.property(LOADS, HOURS, (loads, hours) => {
        const moved = whatWillNotFit(loads, (day) => sum(hours.slice(0, day + 1)));
        const gone = new Set(moved.map((one) => one.load));
        expect(
          isFeasible(
            loads.filter((one) => !gone.has(one)),
            hours,
          ),
        ).toBe(true);
        let fewest = loads.length;
        for (let set = 0; set < 1 << loads.length; set++) {
          const kept = loads.filter((_one, index) => set & (1 << index));
          if (loads.length - kept.length < fewest && isFeasible(kept, hours)) fewest = loads.length - kept.length;
        }
        expect(moved.length).toBe(fewest);
      }),
      { numRuns: runs(150) },
    );
  });
});
