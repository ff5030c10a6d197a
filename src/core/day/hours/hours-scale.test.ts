import fc from 'fast-check';
import { SIGN_HEIGHT, hoursScale } from './hours-scale';

const at = (clock: string): number => {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  return hour * 60 + minute;
};
const stretch = (words: string): { from: number; to: number } => {
  const [from = '', to = ''] = words.split('-');
  return { from: at(from), to: at(to) };
};

describe('hoursScale', () => {
  const shown = stretch('05:00-22:00');
  const filled = ['05:00-05:40', '09:00-17:00', '20:30-21:30'].map(stretch);

  test('long hours that hold nothing become a sign, from the next full hour to the last', () => {
    const { folds, hours, height } = hoursScale(shown, filled, 1);
    expect(folds.map(({ from, to }) => [from, to])).toEqual([
      [at('06:00'), at('09:00')],
      [at('17:00'), at('20:00')],
    ]);
    expect(hours).not.toContain(at('07:00'));
    expect(hours).toContain(at('09:00'));
    expect(height).toBe(17 * 60 - 2 * 180 + 2 * SIGN_HEIGHT);
  });

  test('one that was opened is drawn whole', () => {
    const { folds } = hoursScale(shown, filled, 1, new Set([at('06:00')]));
    expect(folds.map(({ from }) => from)).toEqual([at('17:00')]);
  });

  test('a sign stands for the nearer of its ends', () => {
    const { folds, minuteAt } = hoursScale(shown, filled, 1);
    expect(minuteAt((folds[0]?.top ?? 0) + 2)).toBe(at('06:00'));
    expect(minuteAt((folds[0]?.top ?? 0) + SIGN_HEIGHT - 2)).toBe(at('09:00'));
  });

  test('outside the signs, where a minute stands is the minute that stands there; later is never higher', () => {
    const stretches = fc.array(
      fc.tuple(fc.integer({ min: 0, max: 1440 }), fc.integer({ min: 15, max: 300 })).map(([from, long]) => ({ from, to: from + long })),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(stretches, fc.constantFrom(0.5, 1, 1.7), fc.integer({ min: 0, max: 1440 }), (taken, scale, minute) => {
        const { folds, topOf, minuteAt, height } = hoursScale({ from: 0, to: 1440 }, taken, scale);
        for (const fold of folds) expect(taken.some(({ from, to }) => from < fold.to && to > fold.from)).toBe(false);
        if (!folds.some(({ from, to }) => minute > from && minute < to)) expect(minuteAt(topOf(minute))).toBeCloseTo(minute, 6);
        if (minute < 1440) expect(topOf(minute + 1)).toBeGreaterThan(topOf(minute));
        expect(topOf(1440)).toBeCloseTo(height, 6);
      }),
    );
  });
});
