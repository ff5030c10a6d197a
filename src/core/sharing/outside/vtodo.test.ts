import fc from 'fast-check';
import { SHARED_FIELDS, type SharedTask } from './shared-task';
import { type Zone, readVtodo, writtenVtodo } from './vtodo';

const DAY = 1440;
const at =
  (hours: number): Zone['fromUtc'] =>
  ({ day, minute }) => {
    const minutes = day * DAY + minute + hours * 60;
    return { day: Math.floor(minutes / DAY), minute: ((minutes % DAY) + DAY) % DAY };
  };
const ZONE: Zone = { fromUtc: at(2), toUtc: at(-2) };
const NOW = { day: 20780, minute: 440 };
const NOTHING: SharedTask = { words: 'Weigh the crate', status: 'todo', due: null, plan: null, priority: null, tags: [], every: null };
const written = (
  task: SharedTask,
  source: string | null = null,
  fields: readonly (typeof SHARED_FIELDS)[number][] = SHARED_FIELDS,
): string => writtenVtodo(source, 'recado-1', { fields, task, more: null }, ZONE, NOW);
const readBack = (text: string): SharedTask | undefined => readVtodo(text, ZONE)?.task;

/** The example of RFC 5545, 3.6.2, as a calendar object. */
const OF_RFC = [
  'BEGIN:VCALENDAR',
  'VERSION:2.0',
  'PRODID:-//ABC Corporation//NONSGML My Product//EN',
  'BEGIN:VTODO',
  'UID:20070313T123432Z-456553@example.com',
  'DTSTAMP:20070313T123432Z',
  'DUE;VALUE=DATE:20070501',
  'SUMMARY:Submit Quebec Income Tax Return for 2006',
  'CLASS:CONFIDENTIAL',
  'CATEGORIES:FAMILY,FINANCE',
  'STATUS:NEEDS-ACTION',
  'X-OTHER-PROGRAM;X-SORT=7:kept',
  'BEGIN:VALARM',
  'ACTION:DISPLAY',
  'DESCRIPTION:Tax',
  'TRIGGER:-PT1H',
  'END:VALARM',
  'END:VTODO',
  'END:VCALENDAR',
  '',
].join('\r\n');

describe('a to-do of an outside list', () => {
  test('the example of RFC 5545, 3.6.2', () => {
    expect(readBack(OF_RFC)).toEqual({
      ...{ words: 'Submit Quebec Income Tax Return for 2006', status: 'todo', due: '2007-05-01', plan: null, priority: null, every: null },
      tags: ['FAMILY', 'FINANCE'],
    });
  });

  test('what is changed is changed, and what others wrote beside it stays', () => {
    const task = { ...NOTHING, status: 'done' as const, tags: ['FAMILY', 'tax-2006'] };
    const text = written(task, OF_RFC, ['status', 'tags']);
    expect(text).toContain('X-OTHER-PROGRAM;X-SORT=7:kept');
    expect(text).toContain('TRIGGER:-PT1H');
    expect(text).toContain('CLASS:CONFIDENTIAL');
    expect(text).toContain('SUMMARY:Submit Quebec Income Tax Return for 2006');
    expect(text).toContain('COMPLETED:20261123T072000Z');
    expect(text).toContain('CATEGORIES:FAMILY,tax-2006');
    expect(text).toContain('SEQUENCE:0');
    // Opened again it says no more when it was done (RFC 5545, 3.8.2.1).
    const open = written(NOTHING, text, ['status']);
    expect(open).not.toContain('COMPLETED');
    expect(open).toContain('SEQUENCE:1');
  });

  test('every task that can be said there comes back as it was', () => {
    const moment = fc.constantFrom(null, '2026-11-27', '2026-12-02 15:00', '2027-01-04 00:00');
    const task = fc.record({
      words: fc.constantFrom('Weigh the crate', 'a, b; c\\n \u{1F4E6}', 'عربي', 'x'.repeat(200)),
      status: fc.constantFrom('todo', 'underway', 'waiting', 'done', 'cancelled'),
      due: moment,
      plan: moment,
      priority: fc.constantFrom(null, 'top', 'high', 'low'),
      tags: fc.uniqueArray(fc.constantFrom('loans', 'Größe', 'a/b', 'x-1')).map((tags) => tags.sort()),
      every: fc.constantFrom(null, 'monday', '2 weeks on mon, fri', 'month on the last day', '3 days after done'),
    }) as fc.Arbitrary<SharedTask>;
    fc.assert(fc.property(task, (one) => expect(readBack(written(one))).toEqual(one)));
    // One field changed changes no other.
    fc.assert(
      fc.property(task, task, fc.constantFrom(...SHARED_FIELDS), (one, other, field) => {
        expect(readBack(written(other, written(one), [field]))).toEqual({ ...one, [field]: other[field] });
      }),
    );
  });

  test('a repeat that others changed is read from its rule; one that nothing here says is kept', () => {
    const text = written({ ...NOTHING, due: '2026-11-27', every: '2 weeks on fri' });
    expect(readBack(text)?.every).toBe('2 weeks on fri');
    expect(readBack(text.replace(/^RRULE:.*$/m, 'RRULE:FREQ=DAILY'))?.every).toBe('day');
    expect(readBack(text.replace(/^RRULE:.*\r\n/m, ''))?.every).toBeNull();
    const other = text.replace(/^RRULE:.*$/m, 'RRULE:FREQ=HOURLY;INTERVAL=5');
    expect(readBack(other)?.every).toMatch(/^RRULE:/);
    expect(written({ ...NOTHING, every: readBack(other)?.every ?? null }, other, ['every'])).toContain('FREQ=HOURLY');
  });

  test('a time in a zone is told in the zone of the person, and goes back as a moment of the world', () => {
    const zoned = OF_RFC.replace('DUE;VALUE=DATE:20070501', 'DUE:20070501T100000Z');
    expect(readBack(zoned)?.due).toBe('2007-05-01 12:00');
    expect(written({ ...NOTHING, due: '2007-05-02 09:00' }, zoned, ['due'])).toContain('DUE:20070502T070000Z');
  });

  test('what is none gives nothing, and a broken file is written anew', () => {
    for (const text of ['', 'BEGIN:VCALENDAR', OF_RFC.replaceAll('VTODO', 'VEVENT'), '<xml/>']) expect(readVtodo(text, ZONE)).toBeNull();
    expect(readBack(written(NOTHING, 'broken'))).toEqual(NOTHING);
  });
});
