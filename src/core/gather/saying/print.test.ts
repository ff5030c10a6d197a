import fc from 'fast-check';
import { parseGather } from '../language/parse';
import { conditionText, printGather } from './print';
import { SAID_CLAUSES, sentenceOf, sentenceText } from './sentence';
import { loadPatterns } from '../language/pattern';
import { runs } from '../../testing/test-runs';

beforeAll(loadPatterns);

const CONTEXT = { today: 20780, firstDayOfWeek: 1 as const, me: null, thisNote: null };

const LEAVES = [
  'open',
  'closed',
  'underway',
  'done',
  'cancelled',
  '#place/archive',
  'own #loans',
  '@kofi',
  'own @kofi',
  '[[Salt on the Glass]]',
  'own [[Loans]]',
  '"some \\"words\\""',
  'text has "tide"',
  'text like /crate [0-9]+\\/[a-z]/i',
  'due < today',
  'due = 2026-11-27',
  'plan >= 2026-W48',
  'start != 2026-12',
  'done in last 7 days',
  'due in next 1 day',
  'due in this week',
  'plan in next month',
  'made in 2026-11-01..2026-11-30',
  'journal = this day - 2 days',
  'since < start of month',
  'cancelled in last year',
  'due < fri + 2 weeks',
  'due in yesterday..tomorrow',
  'without due',
  'with any date',
  'without own tag',
  'with steps',
  'late',
  'resting',
  'blocked',
  'repeats',
  'unsorted',
  'is step',
  'is question',
  'not is question',
  'lapses < today',
  'with lapses',
  'without joined',
  'with sent',
  'joined = "Museum desk"',
  'joined != "Museum desk"',
  'priority >= high',
  'priority = normal',
  'takes <= 1h30m',
  'takes > 30m',
  'pushed > 2',
  'age > 30 days',
  'progress < 100%',
  'owner = me',
  'owner != @kofi',
  'owner = nobody',
  'asked = @bea',
  'note = "Loans"',
  'path in "Exhibitions"',
  'heading != "Texts"',
  'under [[Loans#Crates]]',
  'under recado:k3f9qa',
  'kind = meeting',
  'kind != archive',
  'this note',
  'this day',
  'this person',
  'this tag',
  'this series',
  'met @kofi',
  'met this person',
  'to this note',
  'to raise',
  'status = "On the lorry"',
  'status != "Said \\"no\\""',
  'this day = today',
  'this day >= start of month',
  'owner = this person',
  'asked != this person',
];

const CONDITION = fc.letrec<{ one: string }>((tie) => ({
  one: fc.oneof(
    { maxDepth: 4, withCrossShrink: true },
    fc.constantFrom(...LEAVES),
    fc
      .tuple(fc.constantFrom('and', 'or'), fc.array(tie('one'), { minLength: 2, maxLength: 3 }))
      .map(([word, parts]) => `(${parts.join(` ${word} `)})`),
    tie('one').map((part) => `not ${part}`),
  ),
})).one;

const CLAUSES = fc.record({
  title: fc.constantFrom('', 'title Two weeks ahead\n'),
  from: fc.constantFrom('', 'from outside\n', 'from outside "Team of the \\"desk\\""\n'),
  group: fc.constantFrom('', 'group by week of done desc, tag by count\n', 'group by about\n', 'group by meeting, period\n'),
  order: fc.constantFrom('', 'order by due desc, priority\n', 'order by text\n'),
  rest: fc.constantFrom(
    '',
    'limit 12\nlimit 3 per group\n',
    'including resting\nsteps apart\n',
    'columns due, tag, progress\ntotals count, takes\n',
    'as board by status (todo, underway, none)\n',
    'as bars of takes by week, tag\n',
    'as curve of kept by month\n',
    'as spans by about\n',
    'as weeks\n',
    'as summary by person\n',
    'as month\ninto [[Loans#Crates]]\n',
  ),
});

describe('printing a gather', () => {
  it.each(LEAVES)('“%s” reads back the same', (words) => {
    const { gather, errors } = parseGather(words);
    expect(errors).toEqual([]);
    const printed = gather.where ? conditionText(gather.where) : '';
    expect(parseGather(printed).gather.where).toEqual(gather.where);
  });

  it('tree → text → the same tree, whatever the gather', () => {
    fc.assert(
      fc.property(CONDITION, CLAUSES, (where, { title, from, group, order, rest }) => {
        const { gather, errors } = parseGather(`${title}${from}where ${where}\n${group}${order}${rest}`);
        expect(errors).toEqual([]);
        const printed = printGather(gather);
        expect(parseGather(printed)).toEqual({ gather, errors: [] });
        expect(printGather(parseGather(printed).gather)).toBe(printed);
        expect(sentenceText(gather, CONTEXT)).toMatch(/^Tasks.*\.$/);
        // The sentence says each clause that the text says; its title stands above it.
        const clauses = sentenceOf(gather, CONTEXT).map(({ clause }) => clause);
        for (const clause of SAID_CLAUSES) {
          const written = printed
            .split('\n')
            .some((line) => line.startsWith(clause) && (clause !== 'limit' || !line.endsWith('per group')));
          if (clause !== 'limit per group' && clause !== 'from')
            expect([printed, clause, clauses.includes(clause)]).toEqual([printed, clause, written]);
        }
      }),
      { numRuns: runs(500), seed: 20261123 },
    );
  });
});

describe('the sentence', () => {
  it.each([
    ['open', 'Tasks that are open.'],
    ['', 'Tasks.'],
    ['late', 'Tasks that are late.'],
    ['not late and not #not-now', 'Tasks that are not late and do not bear or inherit #not-now.'],
    ['open and due in next 14 days', 'Tasks that are open and are due from today to Sun 6 Dec.'],
    ['due < today', 'Tasks that are due before today.'],
    ['waiting or (underway and @kofi)', 'Tasks that are waiting or (are under way and are with @kofi).'],
    ['without due and with any date', 'Tasks that have no due date and have date of any kind.'],
    ['owner = me and takes <= 30m', 'Tasks that belong to me and take a time of at most 30m.'],
    [
      'open\ngroup by week, tag\norder by due, priority desc\nlimit 12 per group\nincluding resting',
      'Tasks that are open, resting ones too, grouped by week and tag, ordered by due then priority desc, at most 12 a group.',
    ],
    [
      'open\ncolumns due, takes\ntotals count\nas board by person\ninto [[Loans#Crates]]',
      'Tasks that are open, showing due and takes, summed up by count, as board by person, and what is written here goes into Loans#Crates.',
    ],
  ])('%j reads “%s”', (text, sentence) => expect(sentenceText(parseGather(text).gather, CONTEXT)).toBe(sentence));
});
