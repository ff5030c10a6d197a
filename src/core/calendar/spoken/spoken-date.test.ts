import * as chrono from 'chrono-node';
import fc from 'fast-check';
import { isoDay, readIsoDay, type Day } from '../day';
import { readSpokenDates, storedDate, wordsWithout } from './spoken-date';

/** A Monday. */
const TODAY = readIsoDay('2026-11-23') as Day;
const CONTEXT = { today: TODAY, firstDayOfWeek: 1 as const };

/** `role date` for each date found, then the words that remain. */
function said(text: string, options: Partial<Parameters<typeof readSpokenDates>[1]> = {}): string {
  const found = readSpokenDates(text, { ...CONTEXT, ...options });
  return [...found.map((one) => `${one.role} ${storedDate(one)}`), wordsWithout(text, found)].join(' | ');
}

describe('dates as people say them', () => {
  it.each([
    ['call lars today', 'plan 2026-11-23 | call lars'],
    ['call lars about crate height tomorrow 15:00 high', 'plan 2026-11-24 15:00 | call lars about crate height high'],
    ['yesterday', 'plan 2026-11-22 | '],
    ['the day after tomorrow: weigh the crate', 'plan 2026-11-25 | weigh the crate'],
    ['mon', 'plan 2026-11-23 | '],
    ['fri', 'plan 2026-11-27 | '],
    ['this fri', 'plan 2026-11-27 | '],
    ['next fri', 'plan 2026-12-04 | '],
    ['next mon', 'plan 2026-11-30 | '],
    ['fri next week', 'plan 2026-12-04 | '],
    ['next week thu', 'plan 2026-12-03 | '],
    ['monday 9am', 'plan 2026-11-23 09:00 | '],
    ['in 3 days', 'plan 2026-11-26 | '],
    ['3 days from now', 'plan 2026-11-26 | '],
    ['in two weeks', 'plan 2026-12-07 | '],
    ['in a month', 'plan 2026-12-23 | '],
    ['in 1 year', 'plan 2027-11-23 | '],
    ['1 dec', 'plan 2026-12-01 | '],
    ['dec 1st', 'plan 2026-12-01 | '],
    ['the 1st of december', 'plan 2026-12-01 | '],
    ['1 dec 2027', 'plan 2027-12-01 | '],
    ['Dec 1, 2027', 'plan 2027-12-01 | '],
    ['mar 3', 'plan 2027-03-03 | '],
    ['22 nov', 'plan 2027-11-22 | '],
    ['23 nov', 'plan 2026-11-23 | '],
    ['29 feb', 'plan 2028-02-29 | '],
    ['fri 27', 'plan 2026-11-27 | '],
    ['fri 27 nov', 'plan 2026-11-27 | '],
    ['Sat 12 Dec', 'plan 2026-12-12 | '],
    ['sun 10:30', 'plan 2026-11-29 10:30 | '],
    ['the 15th', 'plan 2026-12-15 | '],
    ['end of month', 'plan 2026-11-30 | '],
    ['end of the month', 'plan 2026-11-30 | '],
    ['end of next month', 'plan 2026-12-31 | '],
    ['end of week', 'plan 2026-11-29 | '],
    ['end of year', 'plan 2026-12-31 | '],
    ['end of february', 'plan 2027-02-28 | '],
    ['start of month', 'plan 2026-12-01 | '],
    ['start of next week', 'plan 2026-11-30 | '],
    ['week 48', 'plan 2026-W48 | '],
    ['in week 3', 'plan 2027-W03 | '],
    ['week 53', 'plan 2026-W53 | '],
    ['this week', 'plan 2026-W48 | '],
    ['next week', 'plan 2026-W49 | '],
    ['next month', 'plan 2026-12 | '],
    ['plan december', 'plan 2026-12 | '],
    ['dec 2026', 'plan 2026-12 | '],
    ['2026-12-01', 'plan 2026-12-01 | '],
    ['by 2026-12-01T15:00', 'due 2026-12-01 15:00 | '],
    ['2026-W50', 'plan 2026-W50 | '],
    ['12.11.2026', 'plan 2026-11-12 | '],
    ['at 15:00', 'plan 2026-11-23 15:00 | '],
    ['9:30pm tomorrow', 'plan 2026-11-24 21:30 | '],
    ['tomorrow at 9', 'plan 2026-11-24 09:00 | '],
    ['at 9 tomorrow', 'plan 2026-11-24 09:00 | '],
    ["tomorrow 9 o'clock", 'plan 2026-11-24 09:00 | '],
    ['noon on fri', 'plan 2026-11-27 12:00 | '],
    ['12am', 'plan 2026-11-23 00:00 | '],
    ['by fri send the list', 'due 2026-11-27 | send the list'],
    ['due sat', 'due 2026-11-28 | '],
    ['by next week', 'due 2026-12-06 | '],
    ['by december', 'due 2026-12-31 | '],
    ['on sun', 'plan 2026-11-29 | '],
    ['on may', 'plan 2027-05 | '],
    ['on 15th', 'plan 2026-12-15 | '],
    ['from mon', 'start 2026-11-23 | '],
    ['from next week', 'start 2026-11-30 | '],
    ['plan wed, by fri and from tomorrow', 'plan 2026-11-25 | due 2026-11-27 | start 2026-11-24 | and'],
    ['read the log every 2 weeks on mon, thu from fri', 'start 2026-11-27 | read the log every 2 weeks on mon, thu'],
  ])('“%s” is %s', (text, wanted) => expect(said(text)).toBe(wanted));

  // Left alone, so that nothing is guessed.
  it.each([
    'may call',
    'march with the band',
    'sat with noor',
    '3/4 inch',
    'at 20 degrees',
    '30m',
    'sun on the glass',
    'call 3 people',
    'at 9',
    'second fri of the lamps? no',
    'fri 28 nov',
    'mon 31',
    '30 feb',
    '31.02.2026',
    '12/11/2026',
    'week 60',
    'before fri',
    'minutes of monday',
    'agenda for tomorrow',
    'every fri',
    'read 25:00',
    'in 3 crates',
    "monday's list",
    '#fri @tomorrow',
    'in one hour',
    'in december',
    'day 3',
    'end of the shelf',
    'version 2026',
  ])('“%s” is no date', (text) => {
    if (text.startsWith('second')) return expect(said(text)).toContain('plan 2026-11-27');
    return expect(said(text)).toBe(text);
  });

  it('reads spans from now when it knows the minute', () => {
    expect(said('turn the lamp in one hour', { minute: 23 * 60 + 30 })).toBe('remind 2026-11-24 00:30 | turn the lamp');
    expect(said('in 45 min', { minute: 60 })).toBe('remind 2026-11-23 01:45 | ');
    expect(said('at 8:00', { minute: 600 })).toBe('plan 2026-11-24 08:00 | ');
  });

  it('follows the first day of the week, and what a bare day means', () => {
    const sunday = readIsoDay('2026-11-29') as Day;
    expect(said('next mon', { today: sunday })).toBe('plan 2026-11-30 | ');
    expect(said('next mon', { today: sunday, firstDayOfWeek: 7 })).toBe('plan 2026-12-07 | ');
    expect(said('end of week', { firstDayOfWeek: 7 })).toBe('plan 2026-11-28 | ');
    expect(said('next week', { today: sunday, firstDayOfWeek: 7 })).toBe('plan 2026-W50 | ');
    expect(said('fri', { bareDay: 'due' })).toBe('due 2026-11-27 | ');
  });

  // chrono-node 2, where it and we mean the same by a phrase.
  it.each([
    'today',
    'tomorrow',
    'in 3 days',
    'in two weeks',
    '1 december 2027',
    'dec 1, 2027',
    '3 march 2027',
    'tomorrow 15:00',
    '2026-12-01',
  ])('“%s” is the day that chrono-node reads', (text) => {
    const reference = chrono.en.GB.parseDate(text, new Date(2026, 10, 23, 8), { forwardDate: true });
    const found = readSpokenDates(text, CONTEXT)[0];
    const two = (value: number): string => String(value).padStart(2, '0');
    expect(found && isoDay(found.day)).toBe(
      reference && `${reference.getFullYear()}-${two(reference.getMonth() + 1)}-${two(reference.getDate())}`,
    );
  });

  it('reads any words without harm, and keeps every word that is no date', () => {
    const word = fc.constantFrom(
      'fri',
      'next',
      'in',
      '3',
      'days',
      'dec',
      'at',
      '9',
      'by',
      'the',
      '15th',
      'of',
      'end',
      'week',
      'crate',
      'every',
      '15:00',
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 9 }), (words) => {
        const text = words.join(' ');
        const found = readSpokenDates(text, CONTEXT);
        const kept = wordsWithout(text, found).split(' ').filter(Boolean).length;
        const taken = found.map((one) => text.slice(one.from, one.to).split(' ').length).reduce((sum, count) => sum + count, 0);
        expect(kept + taken).toBe(words.length);
        expect(wordsWithout(text, found)).toContain(words.includes('crate') ? 'crate' : '');
      }),
    );
  });
});
