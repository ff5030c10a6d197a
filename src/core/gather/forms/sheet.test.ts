import fc from 'fast-check';
import { readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import { rowView } from '../../index/live/view';
import { monthRange, sheetOf } from './sheet';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const day = (iso: string): number => readIsoDay(iso) ?? 0;

describe('the days of a month', () => {
  // Whole weeks around a month; by hand from a calendar of 2026 and 2027.
  test.each([
    ['2026-11-23', 1, '2026-10-26', '2026-12-06'],
    ['2026-11-23', 7, '2026-11-01', '2026-12-05'],
    ['2027-02-14', 1, '2027-02-01', '2027-02-28'],
    ['2026-12-31', 6, '2026-11-28', '2027-01-01'],
  ] as const)('of %s with weeks from %s', (of, first, from, to) =>
    expect(monthRange(day(of), first)).toEqual({ from: day(from), to: day(to) }),
  );
});

describe('a sheet of days', () => {
  const entry = (from: string, to = from): { from: number; to: number } => ({ from: day(from), to: day(to) });

  test('a plan of several days is a bar in each of its weeks, and bars that overlap lie in lines of their own', () => {
    const rows = [
      { id: 'a', due: null, plan: entry('2026-11-20', '2026-11-25') },
      { id: 'b', due: entry('2026-11-24'), plan: entry('2026-11-23', '2026-11-29') },
      { id: 'c', due: null, plan: entry('2026-11-26', '2026-11-27') },
    ];
    const [before, week] = sheetOf(rows, entry('2026-11-16', '2026-11-29'));
    expect(before?.bars.map(({ entry: { row }, from, to, lane }) => [row.id, from - before.first, to - before.first, lane])).toEqual([
      ['a', 4, 6, 0],
    ]);
    expect(week?.bars.map(({ entry: { row }, from, to, lane }) => [row.id, from - week.first, to - week.first, lane])).toEqual([
      ['b', 0, 6, 0],
      ['a', 0, 2, 1],
      ['c', 3, 4, 1],
    ]);
    expect(week?.days.map(({ entries }) => entries.map(({ row, is }) => `${row.id} ${is}`))).toEqual([[], ['b due'], [], [], [], [], []]);
  });

  test('a plan of centuries costs no more than the weeks that are drawn', () => {
    const [week] = sheetOf([{ due: null, plan: entry('1700-01-01', '2999-12-31') }], entry('2026-11-23', '2026-11-29'));
    expect(week?.bars).toMatchObject([{ from: TODAY, to: TODAY + 6 }]);
  });

  test('holds on each day what asking for that day finds', () => {
    const when = fc.integer({ min: -12, max: 40 }).map((ahead) => new Date((TODAY + ahead) * 86_400_000).toISOString().slice(0, 10));
    const clause = fc.oneof(
      when.map((iso) => `due ${iso}`),
      when.map((iso) => `plan ${iso}`),
      fc.constantFrom('plan 2026-W48', 'plan 2026-12', 'high'),
    );
    const lines = fc.array(fc.tuple(fc.uniqueArray(clause, { maxLength: 2, selector: (one) => one.split(' ')[0] }), fc.nat()), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(lines, (tasks) => {
        const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
        library.apply([{ path: 'A.md', text: tasks.map(([clauses], index) => `- [ ] t${index} {${clauses.join('; ')}}`).join('\n') }]);
        const rows = (text: string) => library.ask(text).answer.groups.flatMap((group) => group.rows.map((one) => rowView(one, TODAY)));
        const range = monthRange(TODAY, 1);
        for (const week of sheetOf(rows('open'), range))
          for (const { day: one, entries } of week.days) {
            const iso = new Date(one * 86_400_000).toISOString().slice(0, 10);
            const bars = week.bars.filter(({ from, to }) => from <= one && to >= one);
            const shown = [...entries, ...bars.map(({ entry: bar }) => bar)].map(({ row }) => row.text);
            const asked = rows(`open and (due = ${iso} or plan = ${iso})`).map(({ text }) => text);
            expect([...new Set(shown)].sort()).toEqual([...asked].sort());
          }
      }),
      { numRuns: 60 },
    );
  });
});
