import fc from 'fast-check';
import { GONE_FOR, type KeptText, thinned } from './thinning';

const NOW = Date.UTC(2026, 10, 23, 9, 20);
const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const text = (id: number, ago: number, more: Partial<KeptText> = {}): KeptText => ({
  id,
  note: 'a',
  until: NOW - ago,
  size: 10,
  gone: false,
  ...more,
});

describe('thinning', () => {
  it('keeps all of a day, then the last of each hour, day and week', () => {
    const day = Array.from({ length: 50 }, (_, index) => text(index, index * 60_000));
    expect(thinned(day, NOW, 1e9)).toEqual([]);
    // Two days ago, between 9:20 and 9:00: the last of the hour stays.
    expect(thinned([text(1, 2 * DAY), text(2, 2 * DAY + 5 * 60_000), text(3, 2 * DAY + HOUR)], NOW, 1e9)).toEqual([2]);
    expect(thinned([text(1, 20 * DAY), text(2, 20 * DAY + HOUR), text(3, 21 * DAY)], NOW, 1e9)).toEqual([2]);
    expect(thinned([text(1, 100 * DAY), text(2, 101 * DAY), text(3, 120 * DAY)], NOW, 1e9)).toEqual([2]);
  });

  it('other notes have spans of their own', () => {
    expect(thinned([text(1, 2 * DAY), text(2, 2 * DAY, { note: 'b' })], NOW, 1e9)).toEqual([]);
  });

  it('lets the oldest go where they take too much, but no deleted note', () => {
    const texts = [text(1, 1000), text(2, 2000), text(3, 3000, { gone: true }), text(4, 4000)];
    expect(thinned(texts, NOW, 25)).toEqual([4, 2]);
    expect(thinned(texts, NOW, 0)).toEqual([4, 2, 1]);
  });

  it('a deleted note can be brought back for 60 days', () => {
    expect(thinned([text(1, GONE_FOR - 1, { gone: true }), text(2, GONE_FOR + 1, { gone: true, note: 'b' })], NOW, 1e9)).toEqual([2]);
  });

  it('never lets go of anything of the last day while there is room, and never twice; thinned again it lets nothing go', () => {
    const any = fc.record({
      note: fc.constantFrom('a', 'b'),
      ago: fc.integer({ min: 0, max: 200 * DAY }),
      size: fc.integer({ min: 1, max: 100 }),
      gone: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 60 }), fc.integer({ min: 0, max: 6000 }), (made, most) => {
        const texts = made.map(({ ago, ...one }, id) => text(id, ago, one));
        const gone = new Set(thinned(texts, NOW, most));
        const left = texts.filter(({ id }) => !gone.has(id));
        expect(thinned(left, NOW, most)).toEqual([]);
        const size = left.filter(({ gone: deleted }) => !deleted).reduce((sum, one) => sum + one.size, 0);
        expect(size <= most || left.every((one) => one.gone)).toBe(true);
        const whole = new Set(thinned(texts, NOW, Infinity));
        for (const one of texts) if (NOW - one.until <= DAY) expect(whole.has(one.id)).toBe(false);
      }),
    );
  });
});
