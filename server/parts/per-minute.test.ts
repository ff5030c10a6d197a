import { PerMinute } from './per-minute';

describe('what is counted within a minute', () => {
  it('is too much at its limit, for each name on its own, and may be asked again when the minute is over', () => {
    let now = 0;
    const counted = new PerMinute(2, () => now);
    expect([1, 2, 3].map(() => counted.isTooMany('lens'))).toEqual([false, false, true]);
    expect(counted.isTooMany('crate')).toBe(false);
    now = 59_999;
    expect(counted.isTooMany('lens')).toBe(true);
    now = 60_000;
    expect(counted.isTooMany('lens')).toBe(false);
  });

  it('is forgotten where it was asked rightly, or when it is over; not before', () => {
    let now = 0;
    const counted = new PerMinute(1, () => now);
    counted.isTooMany('lens');
    counted.forgive('lens');
    expect(counted.isTooMany('lens')).toBe(false);
    counted.prune();
    expect(counted.isTooMany('lens')).toBe(true);
    now = 60_000;
    counted.prune();
    expect(counted.isTooMany('lens')).toBe(false);
  });
});
