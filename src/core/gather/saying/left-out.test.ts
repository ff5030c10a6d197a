import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { leftOut } from './left-out';

const TODAY = readIsoDay('2026-11-23') ?? 0;

test.each([
  [['open and late', '#loans'], 'where open and not (open and late) and not #loans'],
  [['late or @kofi'], 'where open and not (late or @kofi)'],
  [['from notes\nwhere kind = project', 'late'], 'where open and not late'],
  [['from notes\nwhere kind = project'], null],
  [['late', 'as table'], null],
  [['late and'], null],
  [[], null],
])('%j leaves out %s', (gathers, text) => expect(leftOut(gathers)).toBe(text));

test('each open task that does not rest stands in one of the lists, or among what is left out, and in no more than its share', () => {
  const condition = fc.constantFrom(
    'late',
    '#loans',
    '@kofi',
    'due in next 14 days',
    'priority >= high',
    'not #loans and without due',
    'waiting',
  );
  const line = fc
    .tuple(fc.constantFrom(' ', ':', 'x'), fc.subarray(['#loans', '@kofi']), fc.subarray(['due 2026-11-20', 'high', 'start 2026-12-24']))
    .map(([sign, names, clauses]) => `- [${sign}] task ${names.join(' ')} {${clauses.join('; ')}}`);
  fc.assert(
    fc.property(fc.array(condition, { minLength: 1, maxLength: 4 }), fc.array(line, { maxLength: 12 }), (lists, lines) => {
      const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
      library.apply([{ path: 'A.md', text: lines.join('\n') }]);
      const found = (text: string): number[] =>
        library.ask(`${text}\nsteps apart`).answer.groups.flatMap(({ rows }) => rows.map(({ row }) => row.task.line));
      const inLists = new Set(lists.flatMap((one) => found(`where ${one}`)));
      const rest = found(leftOut(lists) ?? '');
      expect([...rest].sort()).toEqual(
        found('where open')
          .filter((one) => !inLists.has(one))
          .sort(),
      );
    }),
  );
});
