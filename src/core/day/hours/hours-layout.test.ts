import fc from 'fast-check';
import { layHours, toQuarter } from './hours-layout';

const at = (start: number | null, end: number | null) => ({ start, end });
const WORKING = { from: 540, to: 900 };
const lanes = (...items: ReturnType<typeof at>[]): string[] =>
  layHours(items, WORKING).placed.map(({ from, to, lane, lanes: all }) => `${from}-${to} ${lane + 1}/${all}`);

describe('things among the hours of a day', () => {
  it.each([
    ['one', [at(540, 600)], ['540-600 1/1']],
    ['one after the other', [at(540, 600), at(600, 660)], ['540-600 1/1', '600-660 1/1']],
    ['two at once', [at(540, 600), at(570, 630)], ['540-600 1/2', '570-630 2/2']],
    ['a third takes the column that is free', [at(540, 600), at(570, 700), at(610, 640)], ['540-600 1/2', '570-700 2/2', '610-640 1/2']],
    ['what has no end is short', [at(540, null)], ['540-555 1/1']],
    ['what has no time stands elsewhere', [at(null, null)], []],
    ['the longer one first', [at(540, 560), at(540, 600)], ['540-600 1/2', '540-560 2/2']],
  ])('%s', (_what, items, found) => expect(lanes(...items)).toEqual(found));

  it('shows the working hours, and what lies outside them', () => {
    expect(layHours([], WORKING)).toMatchObject({ from: 540, to: 900, free: [{ from: 540, to: 900 }] });
    expect(layHours([at(410, 430), at(1410, 1455)], WORKING)).toMatchObject({ from: 360, to: 1500 });
    expect(layHours([], { from: 540, to: 540 })).toMatchObject({ from: 540, to: 600, free: [] });
  });

  it('never lets two things of one column overlap, and leaves none out', () => {
    const ITEM = fc.record({ start: fc.integer({ min: 0, max: 1400 }), length: fc.integer({ min: 0, max: 300 }) });
    fc.assert(
      fc.property(fc.array(ITEM, { maxLength: 20 }), (all) => {
        const items = all.map(({ start, length }) => at(start, start + length));
        const { placed, free } = layHours(items, WORKING);
        expect(placed.length).toBe(items.length);
        for (const a of placed)
          for (const b of placed) if (a !== b && a.lane === b.lane) expect(a.to <= b.from || b.to <= a.from).toBe(true);
        for (const one of placed) {
          expect(one.lane).toBeLessThan(one.lanes);
          expect(free.some(({ from, to }) => one.from < to && from < one.to)).toBe(false);
        }
      }),
    );
  });

  it.each([
    [547, 540],
    [548, 555],
    [-20, 0],
    [1439, 1425],
  ])('%d is brought to %d', (minute, quarter) => expect(toQuarter(minute)).toBe(quarter));
});
