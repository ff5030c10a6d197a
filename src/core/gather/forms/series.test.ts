import fc from 'fast-check';
import initSqlJs from 'sql.js';
import { isoDay, readIsoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import type { Form } from '../language/ast';
import { parseGather } from '../language/parse';
import { type Series, barsOf, curveOf } from './series';

const TODAY = readIsoDay('2026-11-23') ?? 0;

function series(lines: readonly string[], text: string): Series[] {
  const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
  library.apply([{ path: 'A.md', text: lines.join('\n') }]);
  const { answer, live } = library.ask(text);
  expect(live.errors).toEqual([]);
  const form = live.gather.form as Form;
  return form.is === 'bars' ? barsOf(form, answer.groups) : form.is === 'curve' ? curveOf(form, answer.groups, TODAY) : [];
}
const values = ([one]: Series[]): Record<string, number> =>
  Object.fromEntries(one?.values.map(({ key, value }) => [key ?? 'none', value]) ?? []);

describe('bars', () => {
  const lines = [
    '- [ ] a #loans {due 2026-11-23; takes 30m; made 2026-11-01}',
    '- [ ] b #loans #build {due 2026-11-26; takes 1h}',
    '- [x] c #build {plan 2026-11-20; done 2026-11-20; due 2026-11-26}',
    '- [x] d #build {plan 2026-11-19; done 2026-11-21}',
    '- [-] e {cancelled 2026-11-21}',
  ];

  test.each([
    ['count', { loans: 2, build: 3, none: 1 }],
    ['open', { loans: 2, build: 1, none: 0 }],
    ['done', { loans: 0, build: 2, none: 0 }],
    ['takes', { loans: 90, build: 60, none: 0 }],
    ['kept', { loans: 0, build: 1, none: 0 }],
    ['progress', { loans: 0, build: 67, none: 0 }],
  ])('of %s by tag', (measure, wanted) => expect(values(series(lines, `as bars of ${measure} by tag`))).toEqual(wanted));

  test('by day have the days between, and by a second key a row for each of its values', () => {
    expect(values(series(lines, 'where with due\nas bars of count by day'))).toEqual({
      '2026-11-20': 1,
      '2026-11-21': 0,
      '2026-11-22': 0,
      '2026-11-23': 1,
      '2026-11-24': 0,
      '2026-11-25': 0,
      '2026-11-26': 1,
    });
    const rows = series(lines, 'as bars of count by tag, status');
    expect(rows.map(({ label, values: of }) => [label, Object.fromEntries(of.map(({ key, value }) => [key ?? 'none', value]))])).toEqual(
      expect.arrayContaining([
        ['To do', { loans: 2, build: 1, none: 0 }],
        ['Done', { loans: 0, build: 2, none: 0 }],
      ]),
    );
  });

  test('of nothing are none', () => expect(series([], 'as bars of count by day').flatMap((one) => one.values)).toEqual([]));
});

describe('against SQL', () => {
  const day = fc.integer({ min: -20, max: 0 }).map((ahead) => isoDay(TODAY + ahead));
  const task = fc.record({
    status: fc.constantFrom(' ', ':', 'x', '-'),
    made: day,
    closed: day,
    tag: fc.constantFrom('loans', 'build', null),
    takes: fc.constantFrom(0, 15, 30),
  });
  const lineOf = ({
    status,
    made,
    closed,
    tag,
    takes,
  }: {
    status: string;
    made: string;
    closed: string;
    tag: string | null;
    takes: number;
  }): string => {
    const stamp = status === 'x' ? `done ${closed}` : status === '-' ? `cancelled ${closed}` : null;
    const clauses = [`made ${made}`, takes > 0 ? `takes ${takes}m` : null, stamp].filter((one) => one !== null);
    return `- [${status}] task${tag ? ` #${tag}` : ''} {${clauses.join('; ')}}`;
  };

  test('a table of the same tasks gives the same bars, and the same curve of what is open', async () => {
    const SQL = await initSqlJs();
    fc.assert(
      fc.property(fc.array(task, { minLength: 1, maxLength: 15 }), (tasks) => {
        const db = new SQL.Database();
        db.run('create table t (status text, made text, done text, cancelled text, tag text, takes int)');
        for (const { status, made, closed, tag, takes } of tasks)
          db.run('insert into t values (?,?,?,?,?,?)', [
            status,
            made,
            status === 'x' ? closed : null,
            status === '-' ? closed : null,
            tag,
            takes,
          ]);
        const rows = (sql: string): [string, number][] =>
          (db.exec(sql)[0]?.values ?? []).map(([key, value]) => [key === null ? 'none' : String(key), Number(value)]);
        const lines = tasks.map(lineOf);
        expect(values(series(lines, 'as bars of count by tag'))).toEqual(
          Object.fromEntries(rows('select tag, count(*) from t group by tag')),
        );
        expect(values(series(lines, 'as bars of takes by tag'))).toEqual(
          Object.fromEntries(rows("select tag, sum(case when status in (' ', ':') then takes else 0 end) from t group by tag")),
        );
        for (const [at, open] of Object.entries(values(series(lines, 'as curve of open by day'))))
          expect([at, open]).toEqual([
            at,
            rows(
              `select 'x', count(*) from t where made <= '${at}' and (done is null or done > '${at}') and (cancelled is null or cancelled > '${at}')`,
            )[0]?.[1],
          ]);
        db.close();
      }),
      { numRuns: 60 },
    );
  });
});

test('a curve of a hundred thousand tasks over many years has its last steps, and what was before them', () => {
  const groups = Array.from({ length: 100_000 }, (_, index) => {
    const made = isoDay(TODAY - (index % 3000));
    const totals = { count: 1, takes: 5, progress: null, open: 1, done: 0, cancelled: 0, kept: 0 };
    return { keys: [made, null, null], label: '', totals };
  });
  const [curve] = curveOf({ is: 'curve', measure: 'open', by: 'day' }, groups, TODAY);
  expect(curve?.values).toHaveLength(800);
  expect(curve?.values.at(-1)).toMatchObject({ key: isoDay(TODAY), value: 100_000 });
  expect(curve?.values[0]?.value).toBeGreaterThan(70_000);
});

test('a curve says of each week how many were open at its end, until today', () => {
  const lines = [
    '- [x] a {made 2026-11-02; done 2026-11-12}',
    '- [ ] b {made 2026-11-10}',
    '- [-] c {made 2026-11-10; cancelled 2026-11-18}',
  ];
  expect(values(series(lines, 'as curve of open by week'))).toEqual({ '2026-W45': 1, '2026-W46': 2, '2026-W47': 1, '2026-W48': 1 });
  expect(values(series(lines, 'as curve of done by month'))).toEqual({ '2026-11': 1 });
  expect(parseGather('as curve of open by week').errors).toEqual([]);
});
