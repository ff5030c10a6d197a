import { readIsoDay } from '../calendar/day';
import { readNote } from '../task/reading/read-note';
import { readClock, timesOf, withClock } from './appointments';

const DAY = readIsoDay('2026-11-23') ?? 0;
const journal = (text: string, path = 'Journal/2026-11-23.md') => timesOf(readNote(path, text), 'Log');
/** `09:00-10:00 words`, each with minutes after midnight where the end is on the next day. */
const lines = (text: string, path?: string): string[] =>
  (journal(text, path)?.appointments ?? []).map(({ start, end, text: words }) => `${start} ${end ?? 'open'} ${words}`);

describe('times at the start of words', () => {
  it.each([
    ['09:00 Rounds', { start: 540, end: null, length: 6 }],
    ['09:00-10:30 Rounds', { start: 540, end: 630, length: 12 }],
    ['09:00–10:30 Rounds', { start: 540, end: 630, length: 12 }],
    ['09:00', { start: 540, end: null, length: 5 }],
    ['23:30-00:15 Night watch', { start: 1410, end: 1455, length: 12 }],
    ['22:00-24:00 Night watch', { start: 1320, end: 1440, length: 12 }],
    ['10:00-10:00 Nothing', { start: 600, end: 600, length: 12 }],
    ['24:00 Rounds', null],
    ['9:00 Rounds', null],
    ['09:60 Rounds', null],
    ['25:00 Rounds', null],
    ['09:00-25:00 Rounds', null],
    ['09:00- 10:00 Rounds', null],
    ['09:00Rounds', null],
    ['09:00, Rounds', null],
    ['at 09:00', null],
  ])('“%s”', (words, clock) => expect(readClock(words)).toEqual(clock));
});

describe('the appointments of a note', () => {
  it('are list items without a box at any depth, in the order of their lines', () => {
    expect(lines('- 15:00 Lift engineer\n  - 09:30-10:00 *Loans* round {key}\n1. 11:00 Tasting')).toEqual([
      '900 open Lift engineer',
      '570 600 *Loans* round',
      '660 open Tasting',
    ]);
  });

  it.each([
    ['a task', '- [ ] 09:00 Rounds'],
    ['a paragraph', '09:00 Rounds'],
    ['a quote', '> - 09:00 Rounds'],
    ['an item under a quoted one', '> - rounds\n>   - 09:00 Rounds'],
    ['code', '```\n- 09:00 Rounds\n```'],
    ['what landed as a slip', '# Log\n\n- 09:00 Lars rang'],
    ['what landed under a heading below it', '# log\n## Morning\n- 09:00 Lars rang'],
    ['words', '- nine 09:00'],
  ])('are not %s', (_, text) => expect(lines(text)).toEqual([]));

  it('the heading under which slips land ends with the next one of its level', () => {
    expect(lines('## Log\n- 09:00 Lars rang\n## Hours\n- 10:00 Rounds')).toEqual(['600 open Rounds']);
  });

  it.each([
    ['a note without a date', 'Loans.md', '- 09:00 Rounds', 0],
    ['a note with one', 'Loans.md', '---\ndate: 2026-11-23\n---\n- 09:00 Rounds', 1],
    ['a template', 'Day.md', '---\nkind: template\ndate: 2026-11-23\n---\n- 09:00 Rounds', 0],
    ['an archive', 'Old.md', '---\nkind: archive\ndate: 2026-11-23\n---\n- 09:00 Rounds', 0],
  ])('%s', (_, path, text, count) => expect(lines(text, path)).toHaveLength(count));

  it('keep the links of their words', () => {
    expect(journal('- 11:00 [[Registrar meeting]] with @kofi {key}')?.appointments[0]?.links).toEqual(['Registrar meeting']);
  });
});

describe('a meeting', () => {
  const meeting = (fields: string) => journal(`---\nkind: meeting\ndate: 2026-11-23\n${fields}\n---\n`, 'Meetings/Loans.md')?.meeting;
  it.each([
    ['start: 11:00\nend: 11:45', { day: DAY, start: 660, end: 705 }],
    ['start: "11:00"', { day: DAY, start: 660, end: null }],
    ['start: 23:00\nend: 01:00', { day: DAY, start: 1380, end: 1500 }],
    ['form: call', { day: DAY, start: null, end: null }],
    ['start: soon', { day: DAY, start: null, end: null }],
  ])('%j', (fields, read) => expect(meeting(fields)).toEqual(read));
});

describe('an excused day', () => {
  it.each([
    ['ill', 'ill'],
    ['travelling to the lender', 'travelling to the lender'],
    ['true', 'excused'],
    ['no', null],
    ['No', null],
    ['false', null],
    ['""', null],
  ])('excused: %s', (words, excused) => expect(journal(`---\nexcused: ${words}\n---\n`)?.excused ?? null).toBe(excused));

  it('is one only by its journal page', () => expect(journal('---\ndate: 2026-11-23\nexcused: ill\n---\n', 'Loans.md')).toBeNull());
});

describe('the times of an appointment changed in its line', () => {
  it.each([
    ['- 09:00-10:00 Rounds', 570, 630, '- 09:30-10:30 Rounds'],
    ['  * 09:00 Rounds #x {takes 1h}', 600, null, '  * 10:00 Rounds #x {takes 1h}'],
    ['1. 09:00–10:00 Rounds', 540, 1440, '1. 09:00-24:00 Rounds'],
    ['- 23:30-00:15 Watch', 1410, 1470, '- 23:30-00:30 Watch'],
    ['- 09:00', 600, 615, '- 10:00-10:15'],
    ['- Rounds at 09:00', 600, 615, null],
    ['09:00 no item', 600, 615, null],
  ])('%s', (line, start, end, after) => expect(withClock(line, start, end)).toBe(after));
});
