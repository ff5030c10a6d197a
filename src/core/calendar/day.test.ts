/** Outside check: date-fns 4 as a general-purpose reference; ISO 8601 facts about single years from memory. */
import {
  addDays,
  addMonths as referenceAddMonths,
  endOfMonth as referenceEndOfMonth,
  getISODay,
  getISOWeek,
  getISOWeekYear,
  startOfWeek as referenceStartOfWeek,
} from 'date-fns';
import fc from 'fast-check';
import { dayName } from './day-name';
import { durationName, readDuration } from './duration';
import {
  addMonths,
  dayFrom,
  endOfMonth,
  isoDay,
  isoWeekName,
  isoWeekOf,
  mondayOfWeek,
  readIsoDay,
  startOfWeek,
  weekdayOf,
  weeksInYear,
} from './day';
import { isRepeatPhrase } from './repeat/repeat-phrase';
import { readMoment, readSpan } from './span';
import { runs } from '../testing/test-runs';

const ANY_DAY = fc.integer({ min: readIsoDay('1900-01-01') ?? 0, max: readIsoDay('2199-12-31') ?? 0 });
const dateOf = (day: number): Date => addDays(new Date(1970, 0, 1, 12), day);
const dayOfDate = (date: Date): number => dayFrom({ year: date.getFullYear(), month: date.getMonth() + 1, day: date.getDate() });

describe('day numbers', () => {
  it('agree with date-fns on random days', () => {
    fc.assert(
      fc.property(ANY_DAY, fc.integer({ min: -60, max: 60 }), (day, months) => {
        const date = dateOf(day);
        expect(dayOfDate(date)).toBe(day);
        expect(weekdayOf(day)).toBe(getISODay(date));
        expect(isoWeekOf(day)).toEqual({ year: getISOWeekYear(date), week: getISOWeek(date) });
        expect(addMonths(day, months)).toBe(dayOfDate(referenceAddMonths(date, months)));
        expect(endOfMonth(day)).toBe(dayOfDate(referenceEndOfMonth(date)));
        expect(startOfWeek(day, 7)).toBe(dayOfDate(referenceStartOfWeek(date, { weekStartsOn: 0 })));
        expect(readIsoDay(isoDay(day))).toBe(day);
      }),
      { numRuns: runs(2000), seed: 20261123 },
    );
  });

  it('number the weeks of every year from 2000 to 2040 without a gap (ISO 8601)', () => {
    for (let year = 2000; year <= 2040; year++) {
      for (let week = 1; week <= weeksInYear(year); week++) expect(isoWeekOf(mondayOfWeek({ year, week }))).toEqual({ year, week });
      expect(mondayOfWeek({ year: year + 1, week: 1 }) - mondayOfWeek({ year, week: weeksInYear(year) })).toBe(7);
    }
  });

  it.each([
    [2015, 53],
    [2020, 53],
    [2025, 52],
    [2026, 53],
    [2032, 53],
  ])('%i has %i weeks (ISO 8601, from memory)', (year, weeks) => expect(weeksInYear(year)).toBe(weeks));

  it('names the week', () => expect(isoWeekName(isoWeekOf(readIsoDay('2026-11-23') ?? 0))).toBe('2026-W48'));

  it.each(['2026-02-29', '2026-13-01', '2026-00-10', '2026-11-31', '26-11-23', '2026-11-23 ', '0000-01-01'])('%s is no day', (words) =>
    expect(readIsoDay(words)).toBeNull(),
  );
  it('29 February 2028 is one', () => expect(readIsoDay('2028-02-29')).not.toBeNull());
});

describe('what a tail holds', () => {
  const today = readIsoDay('2026-11-23') ?? 0;
  it.each([
    ['2026-11-27', '2026-11-27', '2026-11-27', null],
    ['2026-11-27 15:00', '2026-11-27', '2026-11-27', 900],
    ['2026-11-27T09:30', '2026-11-27', '2026-11-27', 570],
    ['2026-W48', '2026-11-23', '2026-11-29', null],
    ['2026-W53', '2026-12-28', '2027-01-03', null],
    ['2026-12', '2026-12-01', '2026-12-31', null],
  ])('%s', (words, from, to, minute) => expect(readSpan(words)).toEqual({ from: readIsoDay(from), to: readIsoDay(to), minute }));
  it.each(['2026-W54', '2025-W53', '2026-13', '2026-11-27 24:00', '2026-11-27 9:00', 'fri', '2026-02-30'])('%s is absent', (words) =>
    expect(readSpan(words)).toBeNull(),
  );
  it('a due day is no week', () => expect(readMoment('2026-W48')).toBeNull());

  it.each([
    ['30m', 30],
    ['1h30m', 90],
    ['2h', 120],
    ['1.5h', 90],
    ['1d', 480],
    ['PT90M', 90],
    ['P1D', 480],
    ['PT1H30M', 90],
  ])('takes %s is %i minutes', (words, minutes) => expect(readDuration(words)).toBe(minutes));
  it.each(['', 'P', 'PT', 'h', '30', 'soon', '-30m'])('“%s” is no time', (words) => expect(readDuration(words)).toBeNull());
  it.each([
    [45, '45m'],
    [60, '1h'],
    [190, '3h 10'],
    [65, '1h 05'],
  ])('%i minutes read as %s', (minutes, words) => expect(durationName(minutes)).toBe(words));

  it.each([
    'day',
    '3 days',
    'weekday',
    'week on fri',
    'mon, thu',
    '2 weeks on mon, fri from 2026-11-23',
    'month on 15',
    'month on last day',
    'month on last fri',
    'month on 1st mon, 3rd mon',
    '3 months on 31 from 2026-10-31',
    'quarter on 12 from 2026-11-12',
    'year on 25 dec',
    'year on last fri of nov',
    'day x15',
    'mon until 2027-03-01',
    '3 months after done',
  ])('every %s is a repeat', (phrase) => expect(isRepeatPhrase(phrase)).toBe(true));
  it.each(['now and then', 'one', '', 'month on the moon', 'day until soon'])('every %s is none', (phrase) =>
    expect(isRepeatPhrase(phrase)).toBe(false),
  );

  it.each([
    ['2026-11-23', 'today'],
    ['2026-11-24', 'tomorrow'],
    ['2026-11-22', 'yesterday'],
    ['2026-11-27', 'Fri 27'],
    ['2026-12-01', 'Tue 1 Dec'],
    ['2027-02-12', 'Fri 12 Feb'],
    ['2027-08-12', '12 Aug 2027'],
  ])('%s reads as %s', (iso, words) => expect(dayName(readIsoDay(iso) ?? 0, today)).toBe(words));
});
