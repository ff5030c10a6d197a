/** Outside check: SQLite (sql.js) answers the same questions over the same tasks. */
import fc from 'fast-check';
import initSqlJs, { type Database } from 'sql.js';
import { isoDay } from '../../calendar/day';
import { Library } from '../../index/library';
import type { AnswerRow } from './answer';
import { runs } from '../../testing/test-runs';

const TODAY = 20780;
const TAGS = ['loans', 'build', 'phone', 'place/archive'];
const PRIORITIES = ['top', 'high', '', 'low'];
const STATUSES = [
  [' ', 'todo'],
  ['_', 'underway'],
  [':', 'waiting'],
  ['x', 'done'],
  ['-', 'cancelled'],
] as const;

/** Pseudo-random, so that every run asks about the same tasks (a linear congruential generator, from memory). */
let seed = 20261123;
const random = (below: number): number => {
  seed = (seed * 48271) % 2147483647;
  return seed % below;
};

interface Made {
  line: string;
  values: (string | number | null)[];
  tags: string[];
}

function makeTask(index: number): Made {
  const [sign, status] = STATUSES[random(5)] ?? STATUSES[0];
  const day = (): number | null => (random(2) === 0 ? null : TODAY - 20 + random(40));
  const due = day();
  const plan = day();
  const priority = PRIORITIES[random(4)] ?? '';
  const takes = random(3) === 0 ? 15 * (1 + random(8)) : null;
  const tags = TAGS.filter(() => random(4) === 0);
  const owner = random(4) === 0 ? 'kofi' : null;
  const clauses = [
    due === null ? '' : `due ${isoDay(due)}`,
    plan === null ? '' : `plan ${isoDay(plan)}`,
    priority,
    takes === null ? '' : `takes ${takes}m`,
    owner === null ? '' : `owner @${owner}`,
  ].filter((clause) => clause !== '');
  const words = `task ${index} ${['crate', 'lamp', 'tide'][random(3)]}`;
  const line = `- [${sign}] ${words}${tags.map((tag) => ` #${tag}`).join('')}${clauses.length === 0 ? '' : ` {${clauses.join('; ')}}`}`;
  const rank = ['low', '', 'high', 'top'].indexOf(priority);
  return { line, values: [index, status, due, plan, rank, takes, owner, words], tags };
}

/** A condition in both languages. A comparison with nothing is false in ours, so that SQL's third value becomes 0. */
type Both = [gather: string, sql: string];
const SIGNS = ['=', '!=', '<', '<=', '>', '>='];
const LEAF: fc.Arbitrary<Both> = fc.oneof(
  fc.constantFrom<Both>(
    ['open', "status in ('todo', 'underway', 'waiting')"],
    ['closed', "status in ('done', 'cancelled')"],
    ['waiting', "status = 'waiting'"],
    ['done', "status = 'done'"],
    ['late', `coalesce(due < ${TODAY}, 0) and status in ('todo', 'underway', 'waiting')`],
    ['without due', 'due is null'],
    ['with plan', 'plan is not null'],
    ['with any date', '(due is not null or plan is not null)'],
    ['without tag', 'id not in (select task from tags)'],
    ['#place', "id in (select task from tags where tag = 'place/archive')"],
    ['owner = @kofi', "coalesce(owner, 'me') = 'kofi'"],
    ['owner = me', "coalesce(owner, 'me') = 'me'"],
    ['"lamp"', "instr(words, 'lamp') > 0"],
    ['with takes', 'takes is not null'],
    ['due in next 7 days', `coalesce(due between ${TODAY} and ${TODAY + 6}, 0)`],
    ['plan in last 7 days', `coalesce(plan between ${TODAY - 6} and ${TODAY}, 0)`],
  ),
  fc.constantFrom(...TAGS).map((tag): Both => [`#${tag}`, `id in (select task from tags where tag = '${tag}')`]),
  fc
    .tuple(fc.constantFrom('due', 'plan'), fc.constantFrom(...SIGNS), fc.integer({ min: -10, max: 10 }))
    .map(([field, sign, days]): Both => [
      `${field} ${sign} ${days < 0 ? `today - ${-days} days` : `today + ${days} days`}`,
      `coalesce(${field} ${sign} ${TODAY + days}, 0)`,
    ]),
  fc
    .tuple(fc.constantFrom(...SIGNS), fc.constantFrom('low', 'normal', 'high', 'top'))
    .map(([sign, name]): Both => [`priority ${sign} ${name}`, `priority ${sign} ${['low', 'normal', 'high', 'top'].indexOf(name)}`]),
  fc
    .tuple(fc.constantFrom(...SIGNS), fc.integer({ min: 1, max: 8 }))
    .map(([sign, quarters]): Both => [`takes ${sign} ${quarters * 15}m`, `coalesce(takes ${sign} ${quarters * 15}, 0)`]),
);
const CONDITION = fc.letrec<{ one: Both }>((tie) => ({
  one: fc.oneof(
    { maxDepth: 3 },
    LEAF,
    fc
      .tuple(fc.constantFrom('and', 'or'), tie('one'), tie('one'))
      .map(([word, [a, sqlA], [b, sqlB]]): Both => [`(${a} ${word} ${b})`, `((${sqlA}) ${word} (${sqlB}))`]),
    tie('one').map(([part, sql]): Both => [`not ${part}`, `not (${sql})`]),
  ),
})).one;

const ORDERS: Both[] = [
  [
    '',
    `(coalesce(due < ${TODAY}, 0) and status in ('todo', 'underway', 'waiting')) desc, priority desc, due is null, due, plan is null, plan, id`,
  ],
  ['order by due, priority', 'due is null, due, priority desc, id'],
  ['order by due desc', 'due is null, due desc, id'],
  ['order by priority desc, plan', 'priority, plan is null, plan, id'],
  ['order by takes desc', 'takes is null, takes desc, id'],
  ['order by text', 'words, id'],
];

describe('against SQLite', () => {
  const made = Array.from({ length: 250 }, (_, index) => makeTask(index));
  const library = new Library({ today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 });
  library.apply([{ path: 'A.md', text: made.map((one) => one.line).join('\n') }]);
  let db: Database;

  beforeAll(async () => {
    const SQL = await initSqlJs();
    db = new SQL.Database();
    db.run(
      'create table tasks (id int, status text, due int, plan int, priority int, takes int, owner text, words text); create table tags (task int, tag text)',
    );
    for (const { values, tags } of made) {
      db.run('insert into tasks values (?, ?, ?, ?, ?, ?, ?, ?)', values);
      for (const tag of tags) db.run('insert into tags values (?, ?)', [values[0] ?? null, tag]);
    }
  });

  const ids = (sql: string): number[] => (db.exec(sql)[0]?.values ?? []).map((row) => Number(row[0]));
  const lines = (rows: readonly AnswerRow[]): number[] => rows.map(({ row }) => row.task.line);

  it('the same rows in the same order, for hundreds of conditions, orders and limits', () => {
    fc.assert(
      fc.property(CONDITION, fc.constantFrom(...ORDERS), fc.constantFrom(0, 1, 5, 1000), ([where, sql], [order, orderSql], limit) => {
        const { live, answer } = library.ask(`where ${where}\n${order}\nlimit ${limit}`);
        expect(live.errors).toEqual([]);
        const wanted = ids(`select id from tasks where ${sql} order by ${orderSql}`);
        expect(answer.total).toBe(wanted.length);
        expect(lines(answer.groups.flatMap((group) => group.rows))).toEqual(wanted.slice(0, limit));
      }),
      { numRuns: runs(600), seed: 20261123 },
    );
  });

  it('the same counts by group', () => {
    const keys: Both[] = [
      ['status', 'status'],
      ['due', 'due'],
      ['owner', 'owner'],
      ['priority', 'priority'],
    ];
    fc.assert(
      fc.property(CONDITION, fc.constantFrom(...keys), ([where, sql], [key, column]) => {
        const { answer } = library.ask(`where ${where}\ngroup by ${key}`);
        const wanted = (db.exec(`select count(*) from tasks where ${sql} group by ${column}`)[0]?.values ?? []).map((row) =>
          Number(row[0]),
        );
        const counts = answer.groups.map((group) => group.count);
        expect([...counts].sort()).toEqual([...wanted].sort());
        // A partition by any of these keys sums to the whole.
        expect(counts.reduce((sum, count) => sum + count, 0)).toBe(answer.total);
      }),
      { numRuns: runs(200), seed: 20261123 },
    );
  });

  it('the same tasks by tag, each in every group of its tags', () => {
    const { answer } = library.ask('open\ngroup by tag');
    for (const group of answer.groups) {
      const condition =
        group.key === null ? 'id not in (select task from tags)' : `id in (select task from tags where tag = '${group.key}')`;
      const wanted = ids(`select id from tasks where status in ('todo', 'underway', 'waiting') and ${condition}`);
      expect([...lines(group.rows)].sort((a, b) => a - b)).toEqual(wanted);
    }
    expect(answer.groups).toHaveLength(TAGS.length + 1);
  });
});
