/** Outside check: the Temporal polyfill (the standard ECMAScript dates to come) over ISO weeks and date arithmetic. */
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { addMonths, civilFrom, dayFrom, isoDay, isoWeekName, isoWeekOf, mondayOfWeek, readIsoDay, weekdayOf, weeksInYear } from './day';
import { readWeek } from './span';
import { runs } from '../testing/test-runs';

const first = readIsoDay('1800-01-01') ?? 0;
const last = readIsoDay('2399-12-31') ?? 0;
const anyDay = fc.integer({ min: first, max: last });
const plain = (day: number) => Temporal.PlainDate.from(isoDay(day));

describe('against Temporal', () => {
  it('ISO weeks of every day from 2000 to 2040', () => {
    const from = readIsoDay('2000-01-01') ?? 0;
    const to = readIsoDay('2040-12-31') ?? 0;
    for (let day = from; day <= to; day++) {
      const reference = plain(day);
      const week = isoWeekOf(day);
      if (week.week !== reference.weekOfYear || week.year !== reference.yearOfWeek || weekdayOf(day) !== reference.dayOfWeek) {
        throw new Error(`${isoDay(day)} is ${isoWeekName(week)} here, and ${reference.yearOfWeek}-W${reference.weekOfYear} there`);
      }
    }
    // ISO 8601: 2026 has 53 weeks.
    expect(weeksInYear(2026)).toBe(53);
    expect(readWeek('2026-W53')).toEqual({ from: readIsoDay('2026-12-28'), to: readIsoDay('2027-01-03') });
    expect(readWeek('2027-W53')).toBeNull();
  });

  it('days, months and years on, and the days between', () => {
    fc.assert(
      fc.property(anyDay, anyDay, fc.integer({ min: -1200, max: 1200 }), (a, b, months) => {
        expect(isoDay(addMonths(a, months))).toBe(plain(a).add({ months }).toString());
        expect(isoDay(a + months)).toBe(plain(a).add({ days: months }).toString());
        expect(b - a).toBe(plain(a).until(plain(b)).days);
        const { year, month, day } = civilFrom(a);
        expect([year, month, day]).toEqual([plain(a).year, plain(a).month, plain(a).day]);
        expect(dayFrom({ year, month, day })).toBe(a);
        expect(isoWeekOf(mondayOfWeek(isoWeekOf(a)))).toEqual(isoWeekOf(a));
      }),
      { numRuns: runs(1000) },
    );
  });
});
