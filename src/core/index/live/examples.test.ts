import { readIsoDay } from '../../calendar/day';
import { PERIODS } from '../../gather/answer/group';
import { Library, type LibrarySettings } from '../library';
import { overviewOf } from './overview-keeper';
import { columnsOf } from './view';

/** A Wednesday: this week and month go on, and next week begins a new month. */
const TODAY = readIsoDay('2026-11-25') ?? 0;
const SETTINGS: LibrarySettings = { today: TODAY, firstDayOfWeek: 1, dateStyle: 'words', me: 'ana', workingDay: 480 };

function libraryOf(notes: Record<string, string>, settings: Partial<LibrarySettings> = {}): Library {
  const library = new Library({ ...SETTINGS, ...settings });
  library.apply(Object.entries(notes).map(([path, text]) => ({ path, text })));
  return library;
}

/** The groups of an answer, of each task the first word: `Label: task, task`. */
function groups(notes: Record<string, string>, gather: string, settings: Partial<LibrarySettings> = {}): string[] {
  const library = libraryOf(notes, settings);
  library.subscribe('it', gather, null);
  const found = library.answer('it')?.groups ?? [];
  return found.map(({ label, rows }) => `${label}: ${rows.map(({ text }) => text.split(' ')[0]).join(', ')}`);
}

describe('periods', () => {
  it.each([
    ['due 2026-11-24', 'Late'],
    ['plan 2026-11-24', 'Earlier'],
    ['plan 2026-W47', 'Earlier'],
    ['due 2026-11-25', 'Today'],
    ['plan 2026-11-25 09:00', 'Today'],
    ['due 2026-11-26', 'Tomorrow'],
    ['due 2026-11-27', 'This week'],
    ['due 2026-11-29', 'This week'],
    ['plan 2026-W48', 'This week'],
    ['plan 2026-11', 'This month'],
    ['due 2026-11-30', 'Next week'],
    ['plan 2026-W49', 'Next week'],
    ['due 2026-12-06', 'Next week'],
    ['due 2026-12-07', 'Later'],
    ['plan 2026-12', 'Next week'],
    ['due 2027-01-01', 'Later'],
    // The earlier of due and plan; but what is late is late.
    ['due 2026-12-20; plan 2026-11-26', 'Tomorrow'],
    ['due 2026-11-24; plan 2026-11-26', 'Late'],
    ['high', 'No date'],
  ])('{%s} is %s', (tail, period) => expect(groups({ 'A.md': `- [ ] a {${tail}}` }, 'open group by period')).toEqual([`${period}: a`]));

  it('a month that goes on after next week has its own', () => {
    const early = { today: readIsoDay('2026-11-02') ?? 0 };
    expect(groups({ 'A.md': '- [ ] a {due 2026-11-16}\n- [ ] b {due 2026-12-01}' }, 'open group by period', early)).toEqual([
      'This month: a',
      'Later: b',
    ]);
  });

  it('a week that begins on Sunday ends on Saturday', () => {
    const sunday = { firstDayOfWeek: 7 as const };
    expect(groups({ 'A.md': '- [ ] a {due 2026-11-28}\n- [ ] b {due 2026-11-29}' }, 'open group by period', sunday)).toEqual([
      'This week: a',
      'Next week: b',
    ]);
  });

  it('what is finished is not late', () =>
    expect(groups({ 'A.md': '- [x] a {due 2026-11-24; done 2026-11-24}' }, 'done group by period')).toEqual(['Earlier: a']));

  it('stand in the order of time', () => {
    const days = ['2026-12-20', '2026-11-30', '2026-11-24', '2026-11-27', '2026-11-26', '2026-11-25'];
    const text = `- [ ] none\n${days.map((day) => `- [ ] a {due ${day}}`).join('\n')}`;
    const labels = groups({ 'A.md': text }, 'open group by period').map((one) => one.split(':')[0]);
    expect(labels).toEqual(PERIODS.filter((period) => labels.includes(period)));
    expect(labels).toHaveLength(7);
  });
});

describe('groups', () => {
  const NOTES = {
    'Loans/Salt.md':
      '# Loans #loans\n- [ ] a @kofi {due 2026-11-27; high}\n- [_] b #Press/List {plan 2026-W48; owner @ilse}\n# Texts\n- [ ] c @Kofi @ilse {low; asked @bea}',
    'Rounds.md': '- [:] d [[Salt]] {due 2026-12-02 09:00; top}',
    'Journal/2026-11-25.md': '- [x] e {done 2026-11-24 10:00}\n- [-] f {cancelled 2026-11-24}\n- [x] g',
    'People/Kofi.md': '---\nkind: person\nhandle: kofi\n---\n- [ ] h',
    'Meetings/Round.md': '---\nkind: meeting\ndate: 2026-11-20\n---\n- [ ] i',
  };
  it.each<[string, string[]]>([
    ['open group by due', ['Fri 27: a', 'Wed 2 Dec: d', 'No due date: b, c, h, i']],
    ['open group by due desc', ['Wed 2 Dec: d', 'Fri 27: a', 'No due date: b, c, h, i']],
    ['open group by day', ['Mon 23: b', 'Fri 27: a', 'Wed 2 Dec: d', 'No date: c, h, i']],
    ['open group by week', ['This week: a, b', 'Next week: d', 'No date: c, h, i']],
    ['open group by month', ['Nov 2026: a, b', 'Dec 2026: d', 'No date: c, h, i']],
    ['open group by priority', ['Top: d', 'High: a', 'Normal: b, h, i', 'Low: c']],
    ['group by status', ['To do: h, a, c, i', 'Under way: b', 'Waiting: d', 'Done: e, g', 'Cancelled: f']],
    ['open group by tag', ['#loans: a, b', '#press/list: b', 'No tag: c, h, i, d']],
    ['open group by person', ['@bea: c', '@ilse: b, c', '@kofi: a, c, h', 'No person: i, d']],
    ['open group by owner', ['@ilse: b', 'Oneself: a, c, h, i, d']],
    ['open group by asked', ['@bea: c', 'Asked by nobody: a, b, h, i, d']],
    ['open group by note', ['Salt: a, b, c', 'Round: i', 'Kofi: h', 'Rounds: d']],
    ['open group by path', ['No folder: d', 'Loans: a, b, c', 'Meetings: i', 'People: h']],
    ['open group by heading', ['Loans #loans: a, b', 'Texts: c', 'No heading: i, h, d']],
    ['open group by about', ['salt: d', 'About nothing: a, b, c, i, h']],
    ['open group by meeting', ['Round: i', 'No meeting: a, b, c, h, d']],
    ['closed group by done', ['Yesterday: e', 'Day not known: f, g']],
    ['closed group by journal', ['Today: e, f, g']],
    ['open group by tag by count', ['No tag: c, h, i, d', '#loans: a, b', '#press/list: b']],
    [
      'open group by tag, priority',
      ['#loans › High: a', '#loans › Normal: b', '#press/list › Normal: b', 'No tag › Top: d', 'No tag › Normal: h, i', 'No tag › Low: c'],
    ],
  ])('%s', (gather, expected) => expect(groups(NOTES, gather).map(sorted)).toEqual(expected.map(sorted)));

  /** Within a group the order is that of the gather, which is not looked at here. */
  const sorted = (line: string): string => {
    const [label = '', tasks = ''] = line.split(': ');
    return `${label}: ${tasks.split(', ').sort().join(', ')}`;
  };
});

describe('unsorted', () => {
  const PAGE = 'Journal/2026-11-25.md';
  it.each([
    ['a plain task of a journal page', PAGE, '- [ ] a', true],
    ['of another note', 'Loans.md', '- [ ] a', false],
    ['of the place for loose tasks', 'Loose.md', '- [ ] a', true],
    ['with a due day', PAGE, '- [ ] a {due 2026-11-27}', false],
    ['with a plan', PAGE, '- [ ] a {plan 2026-W48}', false],
    ['with a start', PAGE, '- [ ] a {start 2026-11-20}', false],
    ['with a priority', PAGE, '- [ ] a {low}', false],
    ['with an owner', PAGE, '- [ ] a {owner @ilse}', false],
    ['with a length', PAGE, '- [ ] a {takes 10m}', true],
    ['asked for', PAGE, '- [ ] a {asked @ilse}', true],
    ['naming somebody', PAGE, '- [ ] a @ilse', true],
    ['with a tag', PAGE, '- [ ] a #loans', false],
    ['under a heading with one', PAGE, '# Loans #loans\n- [ ] a', true],
    ['with a link', PAGE, '- [ ] a [[Salt]]', false],
    ['a step', PAGE, '- [x] over {done 2026-11-25}\n  - [ ] a', false],
    ['with steps', PAGE, '- [ ] a\n  - [x] step {done 2026-11-25}', false],
    ['under way', PAGE, '- [_] a', false],
    ['waiting', PAGE, '- [:] a', false],
    ['done', PAGE, '- [x] a', false],
  ])('%s', (_, path, text, found) => {
    const library = libraryOf({ [path]: text }, { loosePlace: 'Loose.md' });
    expect(library.ask('unsorted\nsteps apart').answer.total).toBe(found ? 1 : 0);
  });
});

describe('what the frame shows of everything', () => {
  const NOTES = {
    'Loans/Salt.md': '- [ ] a #loans @kofi {due 2026-11-27}\n- [x] b #loans {done 2026-11-24}\n- [ ] c {plan 2026-11-25 09:00; takes 30m}',
    'People/Kofi.md': '---\nkind: person\nhandle: kofi\n---\n- [ ] h #Loans',
    'Journal/2026-11-25.md': '- 10:00 Rounds\n- [-] f {cancelled 2026-11-25}',
    'Old.md': '---\nkind: archive\n---\n- [ ] old #loans {due 2026-11-27}',
    'Other/Salt.md': 'words #salt',
  };
  const overview = overviewOf(libraryOf(NOTES), { 'Agenda/Today.md': 1 });

  it('notes with how many open tasks and finished lines they hold, archives without open ones', () =>
    expect(overview.notes.map(({ path, kind, journal, open, closed }) => [path, kind, journal, open, closed])).toEqual([
      ['Loans/Salt.md', 'note', null, 2, 1],
      ['People/Kofi.md', 'person', null, 1, 0],
      ['Journal/2026-11-25.md', 'journal', TODAY, 0, 1],
      ['Old.md', 'archive', null, 0, 0],
      ['Other/Salt.md', 'note', null, 0, 0],
    ]));

  it('tags and people by how many open tasks bear them, archives not counted', () => {
    expect(overview.tags).toEqual([
      { name: 'loans', fullName: null, path: null, open: 2, notes: 3 },
      { name: 'salt', fullName: null, path: null, open: 0, notes: 1 },
    ]);
    expect(overview.people).toEqual([{ name: 'kofi', fullName: 'Kofi', path: 'People/Kofi.md', open: 2, notes: 2 }]);
  });

  it('days, what of today has a time, shared names, and the counts of the whole', () => {
    expect(overview.days).toEqual({
      [TODAY]: { due: 0, minutes: 30, hours: 330, planned: 1, kept: 0, excused: null },
      [TODAY + 2]: { due: 1, minutes: 0, hours: null, planned: 0, kept: 0, excused: null },
    });
    expect(overview.timed.map(({ kind, text, start, end }) => [kind, text, start, end])).toEqual([
      ['task', 'c', 540, 570],
      ['appointment', 'Rounds', 600, 630],
    ]);
    expect(overview.sharedNames).toEqual(['salt']);
    expect(overview.agendaCounts).toEqual({ 'Agenda/Today.md': 1 });
    expect([overview.open, overview.tasks]).toEqual([3, 6]);
  });
});

describe('statuses that notes add', () => {
  const STATUSES = {
    'Statuses/On the lorry.md': '---\nkind: status\nsign: ">"\nname: On the lorry\nmeans: underway\n---\n',
    'Statuses/Checked.md': '---\nkind: status\nsign: "!"\nmeans: done\n---\n',
  };
  const NOTES = { ...STATUSES, 'A.md': '- [ ] todo\n- [_] begun\n- [>] riding\n- [!] checked\n- [x] done\n- [?] unknown' };
  const again = (notes: Record<string, string>): Library => {
    const library = libraryOf(notes);
    library.takeStatuses();
    library.changeSettings(
      SETTINGS,
      Object.entries(notes).map(([path, text]) => ({ path, text })),
    );
    return library;
  };
  const texts = (gather: string): string[] =>
    again(NOTES)
      .ask(gather)
      .answer.groups.flatMap(({ rows }) => rows.map(({ row }) => row.task.text));

  it.each([
    ['underway', ['begun', 'riding']],
    ['status = "On the lorry"', ['riding']],
    ['status = "on the LORRY"', ['riding']],
    ['open and status != "On the lorry"', ['todo', 'begun', 'unknown']],
    ['status = "Checked"', ['checked']],
    ['done', ['checked', 'done']],
    ['status = "To do"', ['todo', 'unknown']],
    ['status = "Lost"', []],
  ])('%s', (gather, found) => expect(texts(`where ${gather}\norder by path`)).toEqual(found));

  it('stand among those that they count as in groups, and have columns of their own on a board', () => {
    const library = again(NOTES);
    const labels = (gather: string): string[] => library.ask(gather).answer.groups.map(({ label, rows }) => `${label} ${rows.length}`);
    expect(labels('open or done\ngroup by status')).toEqual(['To do 2', 'Under way 2', 'Done 2']);
    expect(labels('open or done\nas board by status')).toEqual(['To do 2', 'Under way 1', 'On the lorry 1', 'Done 1', 'Checked 1']);
    library.subscribe('board', 'open or done\nas board by status (todo, "On the lorry", underway)', null);
    const answer = library.answer('board');
    const columns = (answer && columnsOf(answer)) ?? [];
    expect(columns.map(({ label, count }) => `${label} ${count}`)).toEqual(['To do 2', 'On the lorry 1', 'Under way 1', 'Finished 2']);
  });

  it('are read anew when one is called otherwise', () => {
    const library = again(NOTES);
    expect(library.outdated).toBe(false);
    library.apply([{ path: 'Statuses/On the lorry.md', text: '---\nkind: status\nsign: ">"\nname: Riding\nmeans: underway\n---\n' }]);
    expect(library.outdated).toBe(true);
  });
});

it('what is to be raised bears the tag of the settings', () => {
  const notes = { 'A.md': '- [ ] one #raise\n- [ ] two #talk\n- [ ] three' };
  expect(groups(notes, 'to raise')).toEqual([': one']);
  expect(groups(notes, 'to raise', { raiseTag: 'Talk' })).toEqual([': two']);
  expect(groups(notes, 'open and not to raise', { raiseTag: 'talk' })).toEqual([': one, three']);
});
