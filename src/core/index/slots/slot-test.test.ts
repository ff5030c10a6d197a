import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { Library, type LibrarySettings } from '../library';
import { runs } from '../../testing/test-runs';

const TODAY = readIsoDay('2026-11-23') ?? 0;

const CLAUSE = fc.constantFrom(
  ...[
    'due 2026-11-20',
    'due 2026-11-23',
    'due 2026-11-27 14:00',
    'plan 2026-11-23 09:00',
    'plan 2026-W48',
    'plan 2026-12',
    'start 2026-11-19',
  ],
  ...[
    'start 2026-12-24',
    'done 2026-11-20',
    'cancelled 2026-11-20',
    'made 2026-11-01',
    'since 2026-11-02',
    'high',
    'low',
    'takes 30m',
    'takes 2h',
  ],
  ...['owner @kofi', 'owner nobody', 'asked bea', 'every week on fri', 'key', 'ref k3f9qa', 'needs k3f9qa', 'pushed 2026-11-01'],
);
const WORDS = fc.constantFrom('crate', 'lamp #loans', 'rider @kofi', 'tide [[Salt]]', 'glass #place/archive @bea', '[lamp](recado:k3f9qa)');
const LINE = fc
  .tuple(fc.constantFrom('', '  ', '    '), fc.constantFrom(' ', 'x', ':', '_', '-'), WORDS, fc.uniqueArray(CLAUSE, { maxLength: 3 }))
  .map(([indent, sign, words, clauses]) => `${indent}- [${sign}] ${words}${clauses.length > 0 ? ` {${clauses.join('; ')}}` : ''}`);
const PATH = fc.constantFrom('A.md', 'Loose.md', 'Journal/2026-11-23.md', 'Old.md', 'People/Kofi.md');
const FRONT: Record<string, string> = {
  'Old.md': '---\nkind: archive\n---\n',
  'People/Kofi.md': '---\nkind: person\nhandle: kofi\n---\n## Loans #loans\n',
};
const NOTES = fc.uniqueArray(fc.tuple(PATH, fc.array(LINE, { maxLength: 7 })), { selector: ([path]) => path, minLength: 1 });

const PARTS = [
  ...['open', 'closed', 'waiting', 'done', 'late', 'resting', 'unsorted', 'blocked', 'repeats', 'is step'],
  ...['#loans', 'own #loans', '@kofi', 'own @kofi', '@me', '[[Salt]]', '"lamp"', 'this note', 'this day'],
  ...[
    'due = today',
    'due < today',
    'due != 2026-11-27',
    'due in next 5 days',
    'plan = today',
    'plan < tomorrow',
    'plan >= today',
    'plan != today',
  ],
  ...['plan in 2026-11', 'done = 2026-11-20', 'start in last 7 days', 'start > today', 'made < today', 'since < today', 'journal = today'],
  ...['with due', 'without plan', 'with start', 'with done', 'with any date', 'with takes', 'with priority', 'with owner', 'with asked'],
  ...['with tag', 'with own tag', 'with person', 'with link', 'with steps', 'with repeat', 'with journal', 'with need'],
  ...[
    'priority >= high',
    'priority = normal',
    'priority < normal',
    'takes <= 30m',
    'takes > 1h',
    'pushed >= 1',
    'age > 5 days',
    'progress >= 50%',
  ],
  ...['owner = me', 'owner = @kofi', 'owner != me', 'owner = nobody', 'asked = @bea', 'asked != @bea', 'kind = person', 'kind != person'],
  ...['kind = archive', 'heading = "Loans #loans"', 'path in "Journal"', 'note = "A"'],
];

interface Tree {
  leaf: string;
  not: boolean;
}
const LEAF: fc.Arbitrary<Tree> = fc.record({ leaf: fc.constantFrom(...PARTS), not: fc.boolean() });
const written = ({ leaf, not }: Tree): string => (not ? `not (${leaf})` : leaf);
const CONDITION = fc.oneof(
  LEAF.map(written),
  fc.tuple(LEAF, LEAF).map(([a, b]) => `${written(a)} and ${written(b)}`),
  fc.tuple(LEAF, LEAF, LEAF).map(([a, b, c]) => `(${written(a)} or ${written(b)}) and ${written(c)}`),
  fc.tuple(LEAF, LEAF, LEAF).map(([a, b, c]) => `not (${written(a)} and ${written(b)}) or ${written(c)}`),
);

describe('a condition asked of the columns', () => {
  it.each(PARTS)('%s can be asked', (part) => {
    const { live } = new Library({ ...settingsOf(null) }).ask(part);
    expect(live.errors).toEqual([]);
  });

  it('holds for the tasks for whose rows it holds', () => {
    fc.assert(
      fc.property(NOTES, CONDITION, fc.constantFrom(null, 'kofi'), (notes, condition, me) => {
        const library = new Library(settingsOf(me));
        library.apply(notes.map(([path, lines]) => ({ path, text: (FRONT[path] ?? '') + lines.join('\n') })));
        // Asked by itself: no rows were made for it before.
        const { live, answer } = library.ask(`where ${condition}\nincluding resting\nsteps apart`, 'Journal/2026-11-23.md');
        expect(live.errors).toEqual([]);
        const found = answer.groups.flatMap((group) => group.rows.map(({ row }) => `${row.head.path}:${row.task.line}`));
        const expected = [...library.rows()].filter((row) => live.plan.matches(row)).map((row) => `${row.head.path}:${row.task.line}`);
        expect([...found].sort()).toEqual(expected.sort());
      }),
      { numRuns: runs(1500), seed: 20261123 },
    );
  });
});

function settingsOf(me: string | null): LibrarySettings {
  return { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me, workingDay: 480, loosePlace: 'Loose.md' };
}
