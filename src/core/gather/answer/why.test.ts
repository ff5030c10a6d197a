import fc from 'fast-check';
import { Library, type LibrarySettings } from '../../index/library';
import type { AnswerRow } from './answer';
import { parseGather } from '../language/parse';
import { conditionAt } from '../saying/edit-condition';
import { conditionText } from '../saying/print';
import { explain } from './why';
import { runs } from '../../testing/test-runs';

const SETTINGS: LibrarySettings = { today: 20780, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 };

function libraryOf(text: string): Library {
  const library = new Library(SETTINGS);
  library.apply([{ path: 'Loans.md', text }]);
  return library;
}

function why(text: string, words: string, query: string) {
  const library = libraryOf(text);
  const row = [...library.rows()].find((one) => one.task.raw.includes(words));
  if (!row) throw new Error('there is such a task');
  const { live, answer } = library.ask(query);
  return explain(live.plan, answer, row, library.lookup);
}

const TEXT = [
  '- [ ] Weigh the crate #loans {due 2026-11-27; high}',
  '  - [ ] find the scales',
  '- [:] Ask @lars {start 2026-12-01; takes 30m}',
  '- [x] Sign {done 2026-11-20}',
].join('\n');

describe('why', () => {
  it.each([
    ['Weigh', 'open', true, 'It is in, because every condition holds.', []],
    ['Weigh', 'late', false, 'It is left out, because “late” fails (due 2026-11-27).', [['late']]],
    [
      'Weigh',
      'waiting and #rounds',
      false,
      'It is left out, because “waiting” fails (todo); “#rounds” fails (#loans).',
      [['waiting', '#rounds']],
    ],
    ['Weigh', 'waiting or (late and takes > 1h)', false, null, [['waiting'], ['late', 'takes > 1h']]],
    ['Weigh', 'not open', false, 'It is left out, because “not open” fails.', [['not open']]],
    ['Ask', 'open', false, 'It rests until 2026-12-01; “including resting” would show it.', []],
    ['scales', 'open', true, 'It is in, because every condition holds. It stands inside the row of “Weigh the crate #loans”.', []],
    ['scales', 'open\nsteps apart', true, 'It is in, because every condition holds.', []],
    ['Sign', 'closed or open\norder by status\nlimit 1', true, 'It matches, but stands below the limit; the footer shows it.', []],
  ])('%s in “%s”: %s', (words, query, isIn, because, changes) => {
    const result = why(TEXT, words, query);
    expect(result.in).toBe(isIn);
    if (because !== null) expect(result.because).toBe(because);
    expect(result.changes).toEqual(changes);
  });

  it('says where each condition stands, so that it can be changed there', () => {
    const { tree } = why(TEXT, 'Ask', 'waiting and (takes < 1h or not #loans)');
    const { where } = parseGather('waiting and (takes < 1h or not #loans)').gather;
    const places: [string, number[]][] = [];
    const walk = (node: typeof tree): void => {
      if (node.parts.length === 0) places.push([node.condition, node.place]);
      node.parts.forEach(walk);
    };
    walk(tree);
    expect(places.map(([, place]) => place)).toEqual([[0], [1, 0], [1, 1]]);
    for (const [condition, place] of places) {
      const there = conditionAt(where, place);
      expect(there && conditionText(there)).toBe(condition === '#loans' ? 'not #loans' : condition);
    }
  });

  it('shows the tree with the value found at each condition', () => {
    expect(why(TEXT, 'Ask', 'waiting and (takes < 1h or #loans)').tree).toMatchObject({
      condition: 'and',
      holds: true,
      found: null,
      parts: [
        { condition: 'waiting', holds: true, found: 'waiting', parts: [] },
        {
          condition: 'or',
          holds: true,
          found: null,
          parts: [
            { condition: 'takes < 1h', holds: true, found: '30m', parts: [] },
            { condition: '#loans', holds: false, found: 'none', parts: [] },
          ],
        },
      ],
    });
  });

  it('agrees with the answer for every task', () => {
    const leaf = fc.constantFrom(
      'open',
      'late',
      '#loans',
      'with due',
      'due > today',
      'priority = high',
      'is step',
      'resting',
      '@lars',
      'takes < 1h',
    );
    const condition = fc.tuple(
      leaf,
      fc.constantFrom('and', 'or', 'and not'),
      leaf,
      fc.constantFrom('', 'including resting', 'steps apart', 'limit 2'),
    );
    const line = fc.constantFrom(...TEXT.split('\n'), '- [ ] plain', '    - [-] deep {start 2026-12-24}', '# heading #loans');
    fc.assert(
      fc.property(fc.array(line, { maxLength: 8 }), condition, (lines, [a, word, b, clause]) => {
        const library = libraryOf(lines.join('\n'));
        const { live, answer } = library.ask(`${a} ${word} ${b}\n${clause}`);
        const shown = new Set<unknown>();
        const collect = (rows: readonly AnswerRow[]): void => rows.forEach(({ row, steps }) => void (shown.add(row), collect(steps)));
        answer.groups.forEach((group) => collect(group.rows));
        for (const row of library.rows()) {
          const result = explain(live.plan, answer, row, library.lookup);
          const below = result.because.includes('below the limit');
          expect(result.in && !below).toBe(shown.has(row));
        }
      }),
      { numRuns: runs(300) },
    );
  });
});
