import initSqlJs from 'sql.js';
import fc from 'fast-check';
import { readIsoDay } from '../calendar/day';
import type { LineDays } from '../note/facts/line-days';
import { Library, type LibrarySettings } from './library';
import { runs } from '../testing/test-runs';

const TODAY = readIsoDay('2026-11-23') ?? 0;
const SETTINGS: LibrarySettings = { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: null, workingDay: 480 };

const titles = (library: Library, text: string): string[] =>
  library.ask(text).answer.groups.flatMap((group) => group.rows.map(({ row }) => (row.what === 'note' ? row.head.title : row.task.text)));

describe('a next step', () => {
  const make = (notes: Record<string, string>): Library => {
    const library = new Library(SETTINGS);
    library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
    return library;
  };
  const WITHOUT = 'from notes\nwhere kind = project and without next step\norder by title';

  it.each([
    ['an open task', '- [ ] a', []],
    ['one under way', '- [_] a', []],
    ['none', '', ['P']],
    ['a finished one', '- [x] a', ['P']],
    ['one that waits', '- [:] a', ['P']],
    ['one that rests', '- [ ] a {start 2026-12-01}', ['P']],
    ['one whose start has come', '- [ ] a {start 2026-11-23}', []],
    ['one that is blocked', '- [ ] a {needs k3f9qa}\n', ['P']],
    ['a step of one that waits', '- [:] a\n  - [ ] b', []],
  ])('of a project with %s', (_, text, without) => {
    const library = make({ 'P.md': `---\nkind: project\n---\n${text}\n`, 'Other.md': '- [:] c {ref k3f9qa}\n' });
    expect(titles(library, WITHOUT)).toEqual(without);
  });

  it('may stand elsewhere and be about it, and follows what other notes say', () => {
    const library = make({ 'P.md': '---\nkind: project\n---\n- [ ] a {needs k3f9qa}\n', 'Other.md': '- [ ] c {ref k3f9qa}\n' });
    library.subscribe('without', WITHOUT, null);
    const now = (): number | undefined => library.answer('without')?.total;
    expect(now()).toBe(1);
    // What it needs is done.
    library.apply([{ path: 'Other.md', text: '- [x] c {ref k3f9qa}\n' }]);
    expect(now()).toBe(0);
    library.apply([{ path: 'Other.md', text: '- [ ] c {ref k3f9qa}\n' }]);
    expect(now()).toBe(1);
    library.apply([{ path: 'Third.md', text: '- [ ] Ring the mill for [[P]]\n' }]);
    expect(now()).toBe(0);
    library.apply([{ path: 'Third.md', text: null }]);
    expect(now()).toBe(1);
    // A day comes on which it no longer rests.
    library.apply([{ path: 'Third.md', text: '- [ ] Ring the mill for [[P]] {start 2026-11-25}\n' }]);
    expect(now()).toBe(1);
    library.changeSettings({ ...SETTINGS, today: TODAY + 2 });
    expect(now()).toBe(0);
  });
});

describe('against SQLite', () => {
  interface Made {
    kind: 'project' | 'note';
    tasks: { status: string; rests: boolean; about: number | null; age: number }[];
  }
  const SIGNS: Record<string, string> = { todo: ' ', underway: '_', waiting: ':', done: 'x', cancelled: '-' };
  const TASK = fc.record({
    status: fc.constantFrom(...Object.keys(SIGNS)),
    rests: fc.boolean(),
    about: fc.option(fc.integer({ min: 0, max: 4 }), { freq: 2 }),
    age: fc.integer({ min: 0, max: 60 }),
  });
  const NOTES: fc.Arbitrary<Made[]> = fc.array(
    fc.record({ kind: fc.constantFrom('project', 'note'), tasks: fc.array(TASK, { maxLength: 4 }) }),
    {
      minLength: 5,
      maxLength: 7,
    },
  );

  it('projects without a next step, what nobody touched, and progress are the same', async () => {
    const SQL = await initSqlJs();
    fc.assert(
      fc.property(NOTES, fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 100 }), (notes, days, percent) => {
        const db = new SQL.Database();
        db.run(
          'create table notes (id int, kind text); create table tasks (note int, line int, status text, rests int, about int, touched int)',
        );
        const library = new Library(SETTINGS);
        notes.forEach(({ kind, tasks }, id) => {
          db.run('insert into notes values (?, ?)', [id, kind]);
          const lines = tasks.map(({ status, rests, about }, line) => {
            const words = `n${id} l${line}${about === null ? '' : ` [[N${about}]]`}`;
            return `- [${SIGNS[status] ?? ' '}] ${words}${rests ? ' {start 2026-12-24}' : ''}`;
          });
          tasks.forEach(({ status, rests, about, age }, line) =>
            db.run('insert into tasks values (?, ?, ?, ?, ?, ?)', [id, line, status, rests ? 1 : 0, about, TODAY - age]),
          );
          // Seen first long ago, and reworded since.
          const seen: LineDays = [[3, TODAY - 99], ...tasks.map(({ age }) => [1, TODAY - 99, TODAY - age] as const)];
          library.apply([{ path: `N${id}.md`, text: `---\nkind: ${kind}\n---\n${lines.join('\n')}\n`, seen }]);
        });
        const sql = (query: string): string[] => (db.exec(query)[0]?.values ?? []).map(([value]) => String(value));
        const begun = "status in ('todo', 'underway') and not rests";
        expect(titles(library, 'from notes\nwhere kind = project and without next step\norder by title')).toEqual(
          sql(`select 'N' || id from notes n where kind = 'project'
            and not exists (select 1 from tasks t where ${begun} and (t.note = n.id or t.about = n.id)) order by id`),
        );
        const untouched = titles(library, `where open and untouched > ${days} days\nincluding resting\norder by path`);
        expect(untouched.map((text) => text.replace(/ \[\[.*/, ''))).toEqual(
          sql(
            `select 'n' || note || ' l' || line from tasks where status in ('todo', 'underway', 'waiting') and ${TODAY} - touched > ${days} order by note, line`,
          ),
        );
        expect(titles(library, `from notes\nwhere progress < ${percent}%\norder by title`)).toEqual(
          sql(`select 'N' || note from tasks where status <> 'cancelled' group by note
            having 100.0 * sum(status = 'done') / count(*) < ${percent} order by note`),
        );
        db.close();
      }),
      { numRuns: runs(120), seed: 20261128 },
    );
  });
});

it('what is blocked is answered anew when the task that is needed is closed in another note', () => {
  const library = new Library(SETTINGS);
  library.apply([
    { path: 'A.md', text: '- [ ] hang {needs k3f9qa}' },
    { path: 'B.md', text: '- [ ] measure {ref k3f9qa}' },
  ]);
  library.subscribe('it', 'blocked', null);
  expect(library.answer('it')?.total).toBe(1);
  expect(library.apply([{ path: 'B.md', text: '- [x] measure {ref k3f9qa; done 2026-11-23}' }])).toContain('it');
  expect(library.answer('it')?.total).toBe(0);
});

describe('what is off the table', () => {
  it('bears the tag of the settings, or stands in a project that comes later', () => {
    const library = new Library({ ...SETTINGS, notNowTag: 'someday-maybe' });
    library.apply([
      { path: 'A.md', text: '- [ ] a #Someday-Maybe\n- [ ] b\n## Later #someday-maybe\n- [ ] c\n' },
      { path: 'P.md', text: '---\nkind: project\nstate: later\n---\n- [ ] d\n' },
      { path: 'Q.md', text: '---\nkind: project\nstate: active\n---\n- [ ] e\n' },
    ]);
    expect(titles(library, 'open and not now\norder by text')).toEqual(['a #Someday-Maybe', 'c', 'd']);
    expect(titles(library, 'open and now\norder by text')).toEqual(['b', 'e']);
  });

  it('leaves the pages of the day when the settings say so, and comes back when they do not', () => {
    const library = new Library(SETTINGS);
    library.apply([{ path: 'A.md', text: '- [ ] a #not-now\n- [ ] b\n' }]);
    library.subscribe('undated', 'open', 'Agenda/Undated.md');
    library.subscribe('own', 'open', 'Agenda/Own.md');
    const totals = (): (number | undefined)[] => ['undated', 'own'].map((id) => library.answer(id)?.total);
    expect(totals()).toEqual([2, 2]);
    library.changeSettings({ ...SETTINGS, hidesNotNow: true });
    expect(totals()).toEqual([1, 2]);
    library.changeSettings(SETTINGS);
    expect(totals()).toEqual([2, 2]);
  });
});
