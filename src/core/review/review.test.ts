import fc from 'fast-check';
import { RRule } from 'rrule';
import { type Day, isoDay, readIsoDay } from '../calendar/day';
import { readFrontMatter } from '../note/facts/front-matter';
import { splitLines } from '../note/blocks/lines';
import { readNote } from '../task/reading/read-note';
import { recordShare, repeatRecord } from './repeat-record';
import { repeatsOf } from './repeats-of';
import { reviewFacts } from './review-facts';

const day = (words: string): Day => readIsoDay(words) ?? 0;

describe('how long a review took', () => {
  it.each([
    ['from start to end', 'start: 2026-11-27 15:00\nend: 2026-11-27 15:40', 40],
    ['without its pauses', 'start: 2026-11-27 15:00\nend: 2026-11-27 15:40\npauses: 12m', 28],
    ['without several pauses', 'start: 2026-11-27 15:00\nend: 2026-11-27 16:30\npauses: 12m, 1h', 18],
    ['over midnight', 'start: 2026-11-27 23:50\nend: 2026-11-28 00:20', 30],
    ['by times of its date', 'start: 15:00\nend: 15:25', 25],
    ['by times over midnight', 'start: 23:50\nend: 00:20', 30],
    ['in the form with T', 'start: 2026-11-27T15:00\nend: 2026-11-27T15:10', 10],
    ['over a week, left open', 'start: 2026-11-20 15:00\nend: 2026-11-27 15:00', 7 * 1440],
    ['with pauses longer than itself', 'start: 15:00\nend: 15:10\npauses: 1h', 0],
    ['not yet finished', 'start: 15:00', null],
    ['never begun', 'end: 15:00', null],
    ['with an end before its start', 'start: 2026-11-27 15:00\nend: 2026-11-27 14:00', null],
    ['with words for a time', 'start: afternoon\nend: 15:00', null],
  ])('%s', (_, lines, minutes) => {
    const front = readFrontMatter(splitLines(`---\nkind: review\ndate: 2026-11-27\n${lines}\n---\n`));
    expect(reviewFacts(front).minutes).toBe(minutes);
  });
});

const record = (text: string, from: string, to: string, today = '2026-11-23'): string[] =>
  repeatsOf(readNote('A.md', text)).flatMap(({ task, records }) =>
    repeatRecord(task, records, { from: day(from), to: day(to) }, day(today)).map((one) => `${isoDay(one.day)} ${one.is}`),
  );

describe('the record of a repeat', () => {
  it.each([
    [
      'kept, later, missed and to come',
      '- [ ] a {due 2026-11-24; every day}\n- [x] a {due 2026-11-20; done 2026-11-20}\n- [x] a {due 2026-11-21; done 2026-11-22}',
      ['2026-11-20 kept', '2026-11-21 later', '2026-11-22 missed', '2026-11-23 to come', '2026-11-24 to come'],
    ],
    [
      'counts back from its present day where nothing says a start',
      '- [ ] a {due 2026-11-24; every 2 days; made 2026-11-19}\n- [x] a {due 2026-11-22; done 2026-11-22}',
      ['2026-11-20 missed', '2026-11-22 kept', '2026-11-24 to come'],
    ],
    [
      'begins where its pattern does',
      '- [ ] a {due 2026-11-24; every 2 days from 2026-11-22; made 2026-11-01}',
      ['2026-11-22 missed', '2026-11-24 to come'],
    ],
    [
      'leaves out what was skipped',
      '- [ ] a {due 2026-11-24; every day; made 2026-11-22}\n- [-] a {due 2026-11-22; cancelled 2026-11-22}',
      ['2026-11-23 to come', '2026-11-24 to come'],
    ],
    [
      'after done has what was done, and the present one',
      '- [ ] a {due 2026-11-24; every 3 days after done}\n- [x] a {due 2026-11-19; done 2026-11-21}',
      ['2026-11-19 later', '2026-11-24 to come'],
    ],
    [
      'of another list does not count',
      '- [ ] a {due 2026-11-24; every day}\n- b\n  - [x] a {due 2026-11-20; done 2026-11-20}',
      ['2026-11-24 to come'],
    ],
    ['ends with it', '- [ ] a {due 2026-11-21; every day; until 2026-11-22; made 2026-11-21}', ['2026-11-21 missed', '2026-11-22 missed']],
    ['without a date has none', '- [ ] a {every day}', []],
  ])('%s', (_, text, wanted) => expect(record(`${text}\n`, '2026-11-18', '2026-11-24')).toEqual(wanted));

  it('the share is of what lies behind, and never more than all', () => {
    const days = [{ is: 'kept' }, { is: 'later' }, { is: 'missed' }, { is: 'to come' }] as const;
    expect(recordShare(days.map(({ is }, at) => ({ day: at, is })))).toEqual({ planned: 3, kept: 1 });
  });

  it('the days are those of the recurrence rule (RFC 5545, by the library rrule)', () => {
    const monday = new Date(Date.UTC(2026, 8, 7));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4 }), fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }), (interval, weekdays) => {
        const names = weekdays.map((at) => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'][at]).join(', ');
        const phrase = `every ${interval === 1 ? '' : `${interval} `}week${interval === 1 ? '' : 's'} on ${names} from 2026-09-07`;
        const dates = new RRule({
          freq: RRule.WEEKLY,
          interval,
          byweekday: weekdays,
          dtstart: monday,
          until: new Date(Date.UTC(2026, 11, 31)),
        })
          .all()
          .map((date) => date.toISOString().slice(0, 10));
        const present = dates.find((date) => date >= '2026-11-23') ?? '';
        const found = record(`- [ ] a {due ${present}; ${phrase}; made 2026-09-07}\n`, '2026-10-01', '2026-12-31');
        expect(found.map((one) => one.slice(0, 10))).toEqual(dates.filter((date) => date >= '2026-10-01'));
      }),
      { numRuns: 60, seed: 20261128 },
    );
  });
});
