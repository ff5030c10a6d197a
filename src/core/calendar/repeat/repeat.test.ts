import fc from 'fast-check';
import { rrulestr } from 'rrule';
import { type Day, type Weekday, isoDay, readIsoDay } from '../day';
import { EMPTY_REPEAT, type Repeat, writtenOut } from './repeat';
import { datesAfter, nextDate } from './repeat-dates';
import { readRepeat, repeatPhrase, repeatProblem } from './repeat-phrase';
import { repeatOfRule, repeatRuleText } from './repeat-rule';
import { runs } from '../../testing/test-runs';

const day = (iso: string): Day => readIsoDay(iso) ?? NaN;
const repeat = (words: string): Repeat => {
  const read = readRepeat(words);
  if (!read) throw new Error(`“${words}” is no repeat`);
  return read;
};
const after = (words: string, from: string, count: number): string[] => datesAfter(repeat(words), day(from), count).map(isoDay);

/** `1997-09: 2, 4; 1997-10: 2` as ISO days. */
const listed = (words: string): string[] =>
  words.split(';').flatMap((part) => {
    const [month = '', days = ''] = part.trim().split(': ');
    return days.split(',').map((one) => `${month}-${one.trim().padStart(2, '0')}`);
  });

describe('phrases', () => {
  it.each([
    ['every day', 'day'],
    ['daily', 'day'],
    ['3 days', '3 days'],
    ['every other day', '2 days'],
    ['each weekday', 'weekday'],
    ['week', 'week'],
    ['every fortnight', '2 weeks'],
    ['two weeks on Monday and Friday', '2 weeks on mon, fri'],
    ['mon, thu', 'week on mon, thu'],
    ['thursdays', 'week on thu'],
    ['weekend', 'week on sat, sun'],
    ['2nd week on fri', '2 weeks on fri'],
    ['2 weeks on mon, fri from 2026-11-23', '2 weeks on mon, fri from 2026-11-23'],
    ['month on the 15th', 'month on 15'],
    ['month on 1, 15', 'month on 1, 15'],
    ['month on last day', 'month on last day'],
    ['last day of the month', 'month on last day'],
    ['month on last friday', 'month on last fri'],
    ['last fri of each month', 'month on last fri'],
    ['first mon of the month', 'month on 1st mon'],
    ['month on 1st mon, 3rd mon', 'month on 1st mon, 3rd mon'],
    ['15th', 'month on 15'],
    ['3 months on 31 from 2026-10-31', '3 months on 31 from 2026-10-31'],
    ['quarter on 12 from 2026-11-12', 'quarter on 12 from 2026-11-12'],
    ['year on 25 dec', 'year on 25 dec'],
    ['year on dec 25', 'year on 25 dec'],
    ['25 december', 'year on 25 dec'],
    ['year on last fri of nov', 'year on last fri of nov'],
    ['last fri of november', 'year on last fri of nov'],
    ['day x15', 'day x15'],
    ['day for 15 times', 'day x15'],
    ['mon until 2027-03-01', 'week on mon until 2027-03-01'],
    ['3 months after done', '3 months after done'],
    ['week on fri after done x3', 'week on fri after done x3'],
  ])('every %s is read as every %s', (words, phrase) => {
    expect(repeatPhrase(repeat(words))).toBe(phrase);
    expect(repeat(phrase)).toEqual(repeat(words));
  });

  it.each([
    '',
    'every',
    'one',
    'now and then',
    'month on the moon',
    'month on 32',
    'month on 0',
    'day until soon',
    'day on fri',
    'second fri',
    'a day',
    'week on 15',
    '1000 days',
    'day x15 x3',
    'month on 15 on 16',
    'fri of nov',
  ])('“%s” is no repeat', (words) => expect(readRepeat(words)).toBeNull());

  it.each([
    ['0 days', 'A repeat every 0 times is none; it counts as absent.'],
    ['day x0', 'A repeat that comes 0 more times is none; it counts as absent.'],
    ['day until 2027-02-30', 'There is no such day as 2027-02-30.'],
    ['year on 31 apr', 'There is no such day in that month; the repeat counts as absent.'],
    ['day x3 until 2027-02-20', 'A repeat ends after a count or on a day, not both; it counts as absent.'],
    ['day x3', null],
  ])('every %s: %s', (words, problem) => expect(repeatProblem(words)).toBe(problem));

  it.each([
    ['month', '2026-10-31', 'month on 31'],
    ['2 weeks', '2026-11-27', '2 weeks on fri from 2026-11-27'],
    ['2 weeks on mon', '2026-11-27', '2 weeks on mon from 2026-11-27'],
    ['week', '2026-11-27', 'week on fri'],
    ['3 days', '2026-11-27', '3 days from 2026-11-27'],
    ['quarter', '2026-11-12', 'quarter on 12 from 2026-11-12'],
    ['year', '2026-12-25', 'year on 25 dec'],
    ['day', '2026-11-27', 'day'],
    ['3 months after done', '2026-11-27', '3 months after done'],
  ])('every %s on %s is written out as every %s', (words, iso, phrase) =>
    expect(repeatPhrase(writtenOut(repeat(words), day(iso)))).toBe(phrase),
  );
});

/**
 * RFC 5545 §3.8.5.3, the examples that a phrase can say, with their dates (from memory of the document; rrule agrees
 * with each, below). Examples end at UTC midnight of the day after the last date, which a phrase says as that date.
 */
const RFC_5545: [example: string, phrase: string, start: string, rule: string, dates: string][] = [
  ['Daily for 10 occurrences', 'day x10', '1997-09-02', 'FREQ=DAILY;COUNT=10', '1997-09: 2,3,4,5,6,7,8,9,10,11'],
  ['Every other day', '2 days', '1997-09-02', 'FREQ=DAILY;INTERVAL=2', '1997-09: 2,4,6,8,10,12,14,16,18,20,22,24,26,28,30; 1997-10: 2,4,6'],
  ['Every 10 days, 5 occurrences', '10 days x5', '1997-09-02', 'FREQ=DAILY;INTERVAL=10;COUNT=5', '1997-09: 2,12,22; 1997-10: 2,12'],
  ['Weekly for 10 occurrences', 'week x10', '1997-09-02', 'FREQ=WEEKLY;COUNT=10', '1997-09: 2,9,16,23,30; 1997-10: 7,14,21,28; 1997-11: 4'],
  [
    'Weekly until December 24, 1997',
    'week until 1997-12-24',
    '1997-09-02',
    'FREQ=WEEKLY;UNTIL=19971224T000000Z',
    '1997-09: 2,9,16,23,30; 1997-10: 7,14,21,28; 1997-11: 4,11,18,25; 1997-12: 2,9,16,23',
  ],
  [
    'Every other week',
    '2 weeks',
    '1997-09-02',
    'FREQ=WEEKLY;INTERVAL=2;WKST=SU',
    '1997-09: 2,16,30; 1997-10: 14,28; 1997-11: 11,25; 1997-12: 9,23; 1998-01: 6,20; 1998-02: 3,17',
  ],
  [
    'Weekly on Tuesday and Thursday for five weeks',
    'tue, thu x10',
    '1997-09-02',
    'FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH',
    '1997-09: 2,4,9,11,16,18,23,25,30; 1997-10: 2',
  ],
  [
    'Every other week on Monday, Wednesday and Friday until December 24, 1997',
    '2 weeks on mon, wed, fri until 1997-12-23',
    '1997-09-01',
    'FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR',
    '1997-09: 1,3,5,15,17,19,29; 1997-10: 1,3,13,15,17,27,29,31; 1997-11: 10,12,14,24,26,28; 1997-12: 8,10,12,22',
  ],
  [
    'Every other week on Tuesday and Thursday, for 8 occurrences',
    '2 weeks on tue, thu x8',
    '1997-09-02',
    'FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH',
    '1997-09: 2,4,16,18,30; 1997-10: 2,14,16',
  ],
  [
    'Monthly on the first Friday for 10 occurrences',
    'month on 1st fri x10',
    '1997-09-05',
    'FREQ=MONTHLY;COUNT=10;BYDAY=1FR',
    '1997-09: 5; 1997-10: 3; 1997-11: 7; 1997-12: 5; 1998-01: 2; 1998-02: 6; 1998-03: 6; 1998-04: 3; 1998-05: 1; 1998-06: 5',
  ],
  [
    'Monthly on the first Friday until December 24, 1997',
    'month on 1st fri until 1997-12-24',
    '1997-09-05',
    'FREQ=MONTHLY;UNTIL=19971224T000000Z;BYDAY=1FR',
    '1997-09: 5; 1997-10: 3; 1997-11: 7; 1997-12: 5',
  ],
  [
    'Every other month on the first and last Sunday for 10 occurrences',
    '2 months on 1st sun, last sun x10',
    '1997-09-07',
    'FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU',
    '1997-09: 7,28; 1997-11: 2,30; 1998-01: 4,25; 1998-03: 1,29; 1998-05: 3,31',
  ],
  [
    'Monthly on the 2nd and 15th for 10 occurrences',
    'month on 2, 15 x10',
    '1997-09-02',
    'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15',
    '1997-09: 2,15; 1997-10: 2,15; 1997-11: 2,15; 1997-12: 2,15; 1998-01: 2,15',
  ],
  [
    'Monthly on the first and last day for 10 occurrences',
    'month on 1, last day x10',
    '1997-09-30',
    'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1',
    '1997-09: 30; 1997-10: 1,31; 1997-11: 1,30; 1997-12: 1,31; 1998-01: 1,31; 1998-02: 1',
  ],
  [
    'Every 18 months on the 10th thru 15th for 10 occurrences',
    '18 months on 10, 11, 12, 13, 14, 15 x10',
    '1997-09-10',
    'FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15',
    '1997-09: 10,11,12,13,14,15; 1999-03: 10,11,12,13',
  ],
  [
    'Where WKST makes the difference (MO)',
    '2 weeks on tue, sun x4',
    '1997-08-05',
    'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO',
    '1997-08: 5,10,19,24',
  ],
];

describe('RFC 5545 §3.8.5.3', () => {
  it.each(RFC_5545)('%s: every %s', (_example, phrase, start, rule, dates) => {
    const wanted = listed(dates);
    expect([start, ...after(phrase, start, wanted.length - 1)]).toEqual(wanted);
    const reference = rrulestr(`DTSTART:${start.replace(/-/g, '')}T000000Z\nRRULE:${rule}`).all((_, index) => index < wanted.length);
    expect(reference.map((date) => date.toISOString().slice(0, 10))).toEqual(wanted);
    const bounded = /x\d|until/.test(phrase);
    if (bounded) expect(after(phrase, start, wanted.length + 5)).toHaveLength(wanted.length - 1);
  });

  it.each(RFC_5545)('%s: rule → phrase → rule', (_example, phrase, start, rule) => {
    const said = repeatOfRule(rule.replace(';WKST=SU', ''), day(start));
    if (!said) throw new Error('the phrase says the rule');
    expect(writtenOut(said, day(start))).toMatchObject({ ...writtenOut(repeat(phrase), day(start)), until: said.until });
  });

  it.each([
    ['Every day in January, for 3 years', 'FREQ=YEARLY;UNTIL=20000131T140000Z;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA'],
    ['Monthly on the second-to-last Monday', 'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO'],
    ['Monthly on the third-to-the-last day', 'FREQ=MONTHLY;BYMONTHDAY=-3'],
    ['Every Tuesday, every other month', 'FREQ=MONTHLY;INTERVAL=2;BYDAY=TU'],
    ['Yearly in June and July', 'FREQ=YEARLY;COUNT=10;BYMONTH=6,7'],
    ['Every 3rd year on the 1st, 100th and 200th day', 'FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200'],
    ['Every Friday the 13th', 'FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13'],
    ['The third instance of Tuesday, Wednesday or Thursday', 'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3'],
    ['Every 3 hours', 'FREQ=HOURLY;INTERVAL=3'],
    ['Weeks that begin on Sunday, two of them an interval', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,SU;WKST=SU'],
    ['An end that is no day', 'FREQ=DAILY;UNTIL=NEVER'],
  ])('%s is what no phrase says', (_example, rule) => expect(repeatOfRule(rule, day('1997-09-02'))).toBeNull());

  it('on which day weeks begin matters only where several of them make an interval (3.3.10)', () => {
    expect(repeatOfRule('FREQ=WEEKLY;BYDAY=FR;WKST=SU', null)).toEqual(repeat('fri'));
    expect(repeatOfRule('FREQ=MONTHLY;BYDAY=-1FR;WKST=SU', null)).toEqual(repeat('month on last fri'));
  });

  it('a date that a month lacks is kept on its last day, where a plain rule leaves it out', () => {
    // The RFC's own example gives 2007-01-15, 01-30, 02-15, 03-15, 03-30: “an invalid date (February 30) is ignored”.
    expect(['2007-01-15', ...after('month on 15, 30', '2007-01-15', 5)]).toEqual(listed('2007-01: 15,30; 2007-02: 15,28; 2007-03: 15,30'));
  });
});

// RFC 7529 §4.1, SKIP=BACKWARD: an invalid date becomes the last day of the month (from memory).
describe('short months by RFC 7529', () => {
  it.each([
    ['month', '2014-01-31', '2014-02: 28; 2014-03: 31; 2014-04: 30'],
    ['month on 30', '2027-01-30', '2027-02: 28; 2027-03: 30'],
    ['month on 29', '2028-01-29', '2028-02: 29; 2028-03: 29'],
    ['month on 29', '2027-01-29', '2027-02: 28; 2027-03: 29'],
    ['year', '2012-02-29', '2013-02: 28; 2014-02: 28; 2015-02: 28; 2016-02: 29'],
    ['year on 29 feb', '2026-11-23', '2027-02: 28; 2028-02: 29'],
    ['3 months on 31 from 2026-10-31', '2026-10-31', '2027-01: 31; 2027-04: 30; 2027-07: 31'],
    ['month on 29, 31', '2026-11-29', '2026-11: 30; 2026-12: 29; 2026-12: 31; 2027-01: 29; 2027-01: 31; 2027-02: 28; 2027-03: 29'],
  ])('every %s after %s', (phrase, start, dates) => expect(after(phrase, start, listed(dates).length)).toEqual(listed(dates)));

  it('says the 31st as a plain rule, and reads it back', () => {
    expect(repeatRuleText(repeat('month on 31'))).toBe('FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1');
    expect(repeatOfRule('FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1', null)).toEqual(repeat('month on 31'));
  });
});

describe('the next date', () => {
  // Common practice, no source: what was missed is not piled up, and a fixed pattern never drifts.
  it.each([
    ['week on fri', '2026-11-20', '2026-11-20', '2026-11-27'],
    ['week on fri', '2026-11-20', '2026-11-18', '2026-11-27'],
    ['week on fri', '2026-11-20', '2026-11-27', '2026-11-27'],
    ['week on fri', '2026-11-20', '2026-12-01', '2026-12-04'],
    ['day', '2026-11-20', '2026-11-23', '2026-11-23'],
    ['weekday', '2026-11-20', '2026-11-20', '2026-11-23'],
    ['2 weeks on mon, fri from 2026-11-23', '2026-11-27', '2026-11-27', '2026-12-07'],
    ['2 weeks on fri from 2016-11-25', '2026-11-20', '2026-11-20', '2026-11-27'],
    ['month on last fri', '2026-11-27', '2026-11-27', '2026-12-25'],
    ['quarter on 12 from 2026-11-12', '2026-11-12', '2026-11-12', '2027-02-12'],
    ['day from 2026-12-01', '2026-11-20', '2026-11-20', '2026-12-01'],
    // Counted from the day it is done.
    ['3 days after done', '2026-11-20', '2026-11-25', '2026-11-28'],
    ['3 months after done', '2026-08-10', '2026-11-30', '2027-02-28'],
    ['2 weekdays after done', '2026-11-20', '2026-11-20', '2026-11-24'],
    ['week on fri after done', '2026-11-13', '2026-11-25', '2026-11-27'],
    ['2 weeks on fri after done', '2026-11-13', '2026-11-25', '2026-12-04'],
    ['quarter after done', '2026-08-10', '2026-11-30', '2027-02-28'],
    ['year after done', '2026-08-10', '2028-02-29', '2029-02-28'],
  ])('every %s, due %s, finished %s: %s', (phrase, due, done, next) =>
    expect(isoDay(nextDate(repeat(phrase), day(due), day(done)) ?? 0)).toBe(next),
  );

  it.each([
    ['day x1', '2026-11-20'],
    ['day until 2026-11-20', '2026-11-20'],
    ['day after done until 2026-11-20', '2026-11-20'],
    ['year', '9999-12-31'],
    ['3 days after done', '9999-12-31'],
  ])('every %s has none after %s', (phrase, due) => expect(nextDate(repeat(phrase), day(due), day(due))).toBeNull());

  // Common practice, no source.
  it('fifteen times end after the fifteenth', () => expect(after('day x15', '2026-11-01', 99)).toHaveLength(14));
});

const weekdays = fc.uniqueArray(fc.integer({ min: 1, max: 7 }) as fc.Arbitrary<Weekday>, { maxLength: 3 }).map((days) => days.sort());
const monthDays = fc
  .uniqueArray(fc.oneof(fc.integer({ min: 1, max: 31 }), fc.constant(-1)), { minLength: 1, maxLength: 2 })
  .map((days) => days.sort((a, b) => (a === -1 ? 1 : b === -1 ? -1 : a - b)));
const places = fc.array(
  fc.record({ ordinal: fc.constantFrom(1, 2, 3, 4, 5, -1), weekday: fc.integer({ min: 1, max: 7 }) as fc.Arbitrary<Weekday> }),
  { minLength: 1, maxLength: 2 },
);
const anyRepeat: fc.Arbitrary<Repeat> = fc
  .record({
    place: fc.oneof(
      fc.record({ unit: fc.constantFrom('day' as const, 'weekday' as const) }),
      fc.record({ unit: fc.constant('week' as const), weekdays }),
      fc.record({ unit: fc.constantFrom('month' as const, 'quarter' as const), monthDays }),
      fc.record({ unit: fc.constantFrom('month' as const, 'quarter' as const), weekdaysOfMonth: places }),
      fc.record({ unit: fc.constant('year' as const), weekdaysOfMonth: places, month: fc.integer({ min: 1, max: 12 }) }),
      fc.record({
        unit: fc.constant('year' as const),
        monthDays: fc.integer({ min: 1, max: 28 }).map((one) => [one]),
        month: fc.integer({ min: 1, max: 12 }),
      }),
    ),
    interval: fc.integer({ min: 1, max: 6 }),
    from: fc.option(fc.integer({ min: 15_000, max: 21_000 })),
    count: fc.option(fc.integer({ min: 1, max: 30 })),
    afterDone: fc.boolean(),
  })
  .map(({ place, ...rest }) => ({ ...EMPTY_REPEAT, ...place, ...rest }));

describe('laws', () => {
  it('a printed repeat reads back the same', () => {
    fc.assert(fc.property(anyRepeat, (one) => expect(readRepeat(repeatPhrase(one))).toEqual(one)));
  });

  it('dates are those of its rules as rrule itself walks them from the pattern’s own start', () => {
    fc.assert(
      fc.property(anyRepeat, fc.integer({ min: 20_000, max: 21_500 }), (one, due) => {
        const pattern = writtenOut({ ...one, afterDone: false, count: null }, due);
        const rules = (repeatRuleText(pattern) ?? '').split('\n');
        const start = Math.min(pattern.from ?? due, due);
        const stamp = `${isoDay(pattern.from ?? start).replace(/-/g, '')}T000000Z`;
        const dates = rules.map(
          (rule) =>
            rrulestr(`DTSTART:${stamp}\nRRULE:${rule}`)
              .after(new Date(due * 86_400_000))
              ?.getTime() ?? Infinity,
        );
        const next = nextDate(pattern, due, due);
        expect(next ?? Infinity).toBe(Math.min(...dates) / 86_400_000);
      }),
      { numRuns: runs(300) },
    );
  });

  it('a single rule says the repeat that it came from', () => {
    fc.assert(
      fc.property(anyRepeat, fc.integer({ min: 20_000, max: 21_500 }), (one, due) => {
        const pattern = writtenOut({ ...one, afterDone: false, unit: one.unit === 'quarter' ? 'month' : one.unit }, due);
        const rule = repeatRuleText(pattern) ?? '';
        fc.pre(!rule.includes('\n'));
        const back = repeatOfRule(rule, pattern.from);
        expect(back && repeatRuleText(writtenOut(back, due))).toBe(rule);
      }),
    );
  });
});
