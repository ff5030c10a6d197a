import fc from 'fast-check';
import { parseGather } from './parse';
import { withoutLimits } from '../saying/without-limits';
import { loadPatterns } from './pattern';
import { runs } from '../../testing/test-runs';

beforeAll(loadPatterns);

describe('a gather that cannot be read', () => {
  it.each([
    ['opne', 0, 'Did you mean “open”?'],
    ['open and', 8, 'where a condition was expected'],
    ['open and (late', 14, 'where “)” was expected'],
    ['due < someday', 6, 'where a date was expected'],
    ['due < tomorow', 6, 'Did you mean “tomorrow”?'],
    ['due = 2026-02-30', 6, 'There is no such date as 2026-02-30.'],
    ['open\ngroup by wek', 14, 'Did you mean “week”?'],
    ['open\norder by prioritiy', 14, 'Did you mean “priority”?'],
    ['open\nlimit many', 11, 'a number for the limit'],
    ['open\ncolumns duo', 13, 'Did you mean “due”?'],
    ['open\nas bord by status', 8, 'Did you mean “board”?'],
    ['open\ninto Loans', 10, 'a link such as'],
    ['text like crate', 10, 'a pattern such as'],
    ['text like /(a/', 10, 'This pattern cannot be used: missing closing )'],
    ['text like /(?=a)/', 10, 'This pattern cannot be used'],
    ['text like /a/gx', 10, '“gx” is no flag of a pattern'],
    ['progress < 50', 13, '“%” was expected'],
    ['open\nlate', 5, 'where a clause was expected'],
    ['where open\nwhere late', 11, '“where” stands twice'],
    ['kind = jurnal', 7, 'Did you mean “journal”?'],
    ['without deu', 8, 'Did you mean “due”?'],
    ['due', 3, 'a sign'],
    ['open and "unclosed', 9, 'a condition'],
    ['due < today + 999999999 days', 14, 'more than Recado counts to'],
  ])('%j says where and what', (text, from, message) => {
    const [error] = parseGather(text).errors;
    expect(error?.message).toContain(message);
    expect(error?.from).toBe(from);
  });

  // What people who never read the language write first (common practice, no source).
  it.each([
    ['overdue', 'late'],
    ['open\nsort by due', 'order by due'],
    ['open sort priority', 'order by priority'],
    ['tag = loans', '#loans'],
    ['tags: "loans"', '#loans'],
    ['person = kofi', '@kofi'],
    ['status = open', 'open'],
    ['status: done', 'done'],
    ['is late', 'late'],
    ['completed', 'done'],
    ['unfinished', 'open'],
    ['in progress', 'underway'],
    ['open and priority high', 'priority = high'],
    ['due today', 'due = today'],
    ['due this week', 'due in this week'],
    ['due before fri', 'due < fri'],
    ['due by 2026-12-01', 'due <= 2026-12-01'],
    ['no due', 'without due'],
    ['has owner', 'with owner'],
    ['contains "tide"', '"tide"'],
    ['folder = "Exhibitions"', 'path in "Exhibitions"'],
    ['open && #loans', 'and'],
    ['open, #loans', 'and'],
    ['open | late', 'or'],
    ['! late', 'not'],
    ['open\nas timeline', 'spans by tag'],
    ['open\nas chart of count by week', 'bars of count by week'],
    ['from notes where state = someday', '= later'],
  ])('%j is answered with “%s”, which can be read', (text, hint) => {
    expect(parseGather(text).errors[0]?.message).toContain(`Say “${hint}”.`);
    const rest = /^(?:and|or)$/.test(hint) ? `open ${hint} late` : hint === 'not' ? 'not late' : hint;
    const whole = /^(?:bars|spans) /.test(hint) ? `as ${hint}` : hint.startsWith('=') ? `from notes where state ${hint}` : rest;
    expect(parseGather(whole).errors).toEqual([]);
  });

  it('still reads its other clauses', () => {
    const { gather, errors } = parseGather('title Mine\nwhere opne\ngroup by week\nlimit 5');
    expect(errors).toHaveLength(1);
    expect(gather).toMatchObject({ title: 'Mine', limit: 5 });
    expect(gather.groupBy[0]?.key).toBe('week');
  });

  it('is a message, never a crash or a hang, whatever the text', () => {
    const piece = fc.constantFrom(
      'open ',
      'and ',
      'or ',
      'not ',
      '( ',
      ') ',
      '#a ',
      '@b ',
      '"c" ',
      '[[d]] ',
      'due ',
      '< ',
      'in ',
      'today ',
      '+ ',
      '3 ',
      'days ',
      '\n',
      'title ',
      'group by ',
      'limit ',
      '-- x\n',
      '\\',
      '"',
      '{',
      '\u0000',
      '..',
      '2026-W99 ',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 20 }), (pieces) => {
        const text = pieces.join('');
        for (const { from, to } of parseGather(text).errors) {
          expect(from).toBeGreaterThanOrEqual(0);
          expect(to).toBeLessThanOrEqual(text.length);
        }
      }),
      { numRuns: runs(3000), seed: 20261123 },
    );
    expect(parseGather('('.repeat(100_000)).errors).toHaveLength(1);
    expect(parseGather('('.repeat(40_000)).errors[0]?.message).toContain('brackets');
    expect(parseGather('not '.repeat(10_000) + 'open').errors).toEqual([]);
  });
});

describe('what a gather says', () => {
  it.each([
    ['open\nlimit 3', 'open\n'],
    ['open limit 3 per group group by day', 'open  group by day'],
    ['limit 2\nlimit 4 per group\nopen', '\n\nopen'],
    ['title limit 3\n"limit 3"', 'title limit 3\n"limit 3"'],
  ])('%j without limits is %j', (text, whole) => expect(withoutLimits(text)).toBe(whole));

  it('not binds tighter than and, and tighter than or', () => {
    const tree = parseGather('open or late and not waiting').gather.where;
    expect(tree).toMatchObject({ is: 'or', parts: [{ is: 'status' }, { is: 'and', parts: [{ is: 'flag' }, { is: 'not' }] }] });
  });

  it('done is a field before a sign or in, else the status; title runs to the end of its line', () => {
    expect(parseGather('done').gather.where).toEqual({ is: 'status', status: 'done' });
    expect(parseGather('done = today').gather.where).toMatchObject({ is: 'date', field: 'done' });
    expect(parseGather('done in last 7 days').gather.where).toMatchObject({ is: 'in', field: 'done' });
    expect(parseGather('title where open and limit 3\nwhere late').gather).toMatchObject({
      title: 'where open and limit 3',
      where: { is: 'flag' },
    });
    // Only what asks for a title is no title.
    for (const words of ['In the coming weeks', 'has to be done', 'Has it come?'])
      expect(parseGather(`title ${words}\nwhere late`)).toMatchObject({ gather: { title: words }, errors: [] });
    expect(parseGather('title has "salt"\nfrom notes').gather.where).toMatchObject({ is: 'title has' });
  });

  it('clauses may follow on one line, and comments are left out', () => {
    const { gather, errors } = parseGather(
      'open and late group by note desc order by due, priority desc limit 3 per group including resting -- mine\n-- yours',
    );
    expect(errors).toEqual([]);
    expect(gather).toMatchObject({
      limitPerGroup: 3,
      includingResting: true,
      groupBy: [{ key: 'note', descending: true }],
      orderBy: [{ key: 'due' }, { key: 'priority', descending: true }],
    });
  });
});
