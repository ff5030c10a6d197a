import initSqlJs, { type Database } from 'sql.js';
import type { Library } from '../src/core/index/library';
import type { Row } from '../src/core/gather/rows/row';
import { BENCH_DAY } from './library';
import { type BenchRow, measure, row } from './measure';

const OPEN = "status in ('todo', 'underway', 'waiting')";
const RANK: Record<string, number> = { top: 0, high: 1, normal: 2, low: 3 };

/** A question in both languages, and how much faster ours must be. */
interface Question {
  what: string;
  gather: string;
  sql: string;
  atLeast: number;
}

const QUESTIONS: Question[] = [
  {
    what: 'open and late, weightiest first, limit 200',
    gather: 'open and late\norder by priority, due\nlimit 200',
    sql: `select id from tasks where ${OPEN} and due < ${BENCH_DAY} order by rank, due, id limit 200`,
    atLeast: 10,
  },
  {
    what: 'open in the next 14 days, limit 12',
    gather: 'open and due in next 14 days\norder by due, priority\nlimit 12\nincluding resting',
    sql: `select id from tasks where ${OPEN} and due between ${BENCH_DAY} and ${BENCH_DAY + 13} order by due, rank, id limit 12`,
    atLeast: 1,
  },
  {
    what: 'one tag without due, limit 50',
    gather: '#loans and without due\norder by priority\nlimit 50\nincluding resting',
    sql: `select id from tasks where id in (select task from tags where tag = 'loans') and due is null order by rank, id limit 50`,
    atLeast: 1,
  },
  {
    what: 'one person, by due',
    gather: '@kofi\norder by due\nincluding resting',
    sql: `select id from tasks where id in (select task from people where person = 'kofi') order by due is null, due, id`,
    atLeast: 1,
  },
  {
    what: 'counts by due day',
    gather: 'with due\ngroup by due\nlimit 0 per group\nincluding resting',
    sql: `select due, count(*) from tasks where due is not null group by due order by due`,
    atLeast: 1,
  },
  {
    what: 'text contains',
    gather: '"barometer"\norder by path\nincluding resting',
    sql: `select id from tasks where words like '%barometer%' order by id`,
    atLeast: 1,
  },
];

/** Each run asks several times: one question is over sooner than a clock and a compiler need. */
function repeat(ask: () => unknown): void {
  for (let round = 0; round < 10; round++) ask();
}

/** Rows of gathers against SQLite over the same tasks; both must find the same number. Small libraries are shown, not judged. */
export async function gatherRows(build: () => Library, size: string, judged: boolean): Promise<BenchRow[]> {
  const db = await tableOf([...build().rows()]);
  const library = build();
  const rows = QUESTIONS.map((question) => {
    const found = library.ask(question.gather).answer.groups;
    const ours = question.what.startsWith('counts') ? found.length : found.reduce((sum, group) => sum + group.rows.length, 0);
    const theirs = db.exec(question.sql)[0]?.values.length ?? 0;
    if (ours > theirs || theirs === 0) throw new Error(`${question.what}: ${ours} rows, and ${theirs} by SQL`);
    const times = measure({ ours: () => repeat(() => library.ask(question.gather)), 'sql.js': () => repeat(() => db.exec(question.sql)) });
    return row(
      `${question.what} · ${size}`,
      'times faster than sql.js',
      times['sql.js'] / times.ours,
      judged ? { atLeast: question.atLeast } : null,
    );
  });
  rows.push(firstAsked(build(), db, size));
  db.close();
  return rows;
}

/** The first question of all, whose rows nobody asked for before. */
function firstAsked(library: Library, db: Database, size: string): BenchRow {
  const [question] = QUESTIONS as [Question];
  const timeOf = (ask: () => unknown): number => {
    const started = performance.now();
    ask();
    return performance.now() - started;
  };
  const ours = timeOf(() => library.ask(question.gather));
  return row(`${question.what}, asked first · ${size}`, 'times faster than sql.js', timeOf(() => db.exec(question.sql)) / ours, null);
}

async function tableOf(rows: readonly Row[]): Promise<Database> {
  const SQL = await initSqlJs();
  const db = new SQL.Database();
  db.run(
    'create table tasks (id integer primary key, status text, due int, plan int, rank int, words text); create table tags (task int, tag text); create table people (task int, person text)',
  );
  db.run('begin');
  const task = db.prepare('insert into tasks values (?, ?, ?, ?, ?, ?)');
  const tag = db.prepare('insert into tags values (?, ?)');
  const person = db.prepare('insert into people values (?, ?)');
  rows.forEach(({ task: one, tags, people }, id) => {
    task.run([id, one.status, one.due?.from ?? null, one.plan?.from ?? null, RANK[one.priority ?? 'normal'] ?? 2, one.text]);
    for (const name of tags) tag.run([id, name]);
    for (const name of people) person.run([id, name]);
  });
  for (const statement of [task, tag, person]) statement.free();
  db.run('commit');
  db.run(
    'create index by_status on tasks (status, due); create index by_due on tasks (due); create index by_tag on tags (tag, task); create index by_person on people (person, task); analyze',
  );
  return db;
}
