import fc from 'fast-check';
import { tokensOf } from '../language/lexer';
import { parseGather } from '../language/parse';
import { wordsOffered } from './words-offered';
import { runs } from '../../testing/test-runs';

const offered = (text: string): readonly string[] => wordsOffered(text, text.length).words;

describe('the words offered while a gather is written', () => {
  it.each([
    ['', ['open', 'due', 'not', 'group by', 'from']],
    ['op', ['open']],
    ['open ', ['and', 'or', 'group by']],
    ['open and ', ['late', 'with', 'priority']],
    ['due ', ['in', '<', '>=']],
    ['due < ', ['today', 'fri', 'start']],
    ['due in next 7 ', ['days', 'weeks']],
    ['priority >= ', ['top', 'high']],
    ['with ', ['due', 'any date', 'own tag']],
    ['owner = ', ['me', 'nobody']],
    ['open\ngroup ', ['by']],
    ['open\ngroup by ', ['week', 'person', 'heading']],
    ['open\ngroup by week ', ['of', 'by count', 'desc']],
    ['open\nas ', ['board', 'spans', 'curve']],
    ['open\nas bars of ', ['takes', 'kept']],
    ['from notes\nwhere ', ['state', 'level', 'title']],
    ['from notes\nwhere kind = ', ['project', 'meeting']],
  ])('%j offers %j among others', (text, words) => expect(offered(text)).toEqual(expect.arrayContaining(words)));

  it.each(['title Week', 'open and #lo', 'open and "some wo', 'open and [[Salt', 'open -- a no', 'due < 2026-1'])(
    '%j offers nothing',
    (text) => expect(offered(text)).toEqual([]),
  );

  it('the fields of notes are offered where `from notes` stands behind', () => {
    const text = 'where \nfrom notes';
    expect(wordsOffered(text, 6).words).toContain('state');
    expect(wordsOffered(text, 6).words).not.toContain('unsorted');
  });

  it('any word that a gather bears was offered where it stands', () => {
    const condition = fc.constantFrom(
      'open',
      'late and not resting',
      'due in next 14 days or plan = tomorrow',
      'without any date',
      'priority >= high and takes <= 30m',
      'owner != nobody and is step',
      'kind = meeting and this day',
      '(done in last month or cancelled in this week) and with own tag',
      'due < start of month + 2 weeks',
    );
    const clauses = fc.constantFrom(
      'group by week of done desc, tag',
      'order by priority, due desc',
      'limit 12 per group',
      'columns due, takes, needs',
      'totals count, progress',
      'as bars of takes by month, person',
      'as spans by note',
      'as curve of open by day',
    );
    fc.assert(
      fc.property(condition, fc.uniqueArray(clauses, { maxLength: 3, selector: (one) => one.split(' ')[0] ?? '' }), (where, more) => {
        const text = [`where ${where}`, ...more].join('\n');
        expect(parseGather(text).errors).toEqual([]);
        for (const token of tokensOf(text)) {
          if (token.kind !== 'word') continue;
          const words = wordsOffered(text, token.from).words.flatMap((one) => one.split(' '));
          expect([text, token.value, words.includes(token.value)]).toEqual([text, token.value, true]);
        }
      }),
      { numRuns: runs(150) },
    );
  });
});
