import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readArguments } from './arguments';
import type { ActAnswer } from './commands/act';
import type { GatherAnswer } from './commands/gather';
import type { ScannedTask } from './commands/scan';
import { Desks } from './desk';
import { readFolder } from './read-folder';
import { run } from './run';

let folder = '';
const TEXT = [
  '---',
  'tags: [exhibition]',
  '---',
  '# Loans #loans',
  '- [_] Ask @ilse about [[Tide clock|it]] {due 2026-11-27 15:00; plan 2026-W48; start 2 days before; takes 1h30m; top; owner @kofi; asked @bea; every week on fri; remind 1h before; needs zzzzz9; since 2026-11-20; pushed 2026-11-13; key; odd}',
  '  - [x] step {done 2026-11-20 10:00}',
  '  - [-] other',
  '  - [ ] last {start 2026-12-01}',
  '',
].join('\n');

beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'recado-'));
  mkdirSync(path.join(folder, 'Exhibitions/.hidden'), { recursive: true });
  writeFileSync(path.join(folder, 'Exhibitions/Salt.md'), TEXT);
  writeFileSync(path.join(folder, 'Exhibitions/.hidden/x.md'), '- [ ] hidden');
  writeFileSync(path.join(folder, 'Bytes.md'), Buffer.from([0x2d, 0xff, 0xfe]));
  writeFileSync(path.join(folder, 'Other.md'), '\ufeff- [ ] one\r\n- [!] two\r\n');
  writeFileSync(path.join(folder, 'Asked.md'), '---\nkind: status\nsign: "!"\nmeans: waiting\n---\n');
});
afterAll(() => rmSync(folder, { recursive: true }));

const recado = (...list: string[]): unknown => run(readArguments(list), new Desks());

describe('the command-line runner', () => {
  it('slip, carry and template write a task down, offer what was left open, and fill in a template', () => {
    const desk = mkdtempSync(path.join(tmpdir(), 'recado-slip-'));
    try {
      const today = ['--today', '2026-11-23'];
      const place = { note: 'Journal/2026-11-23.md', heading: 'Log' };
      expect(recado('slip', 'ring @lars tomorrow 15:00 high', ...today)).toEqual({
        line: '- [ ] ring @lars {plan 2026-11-24 15:00; high; made 2026-11-23}',
        place,
      });
      mkdirSync(path.join(desk, 'Templates'));
      writeFileSync(
        path.join(desk, 'Templates/Day.md'),
        '---\nkind: template\nfor: journal\n---\n## Routine\n- [ ] Wind the clock of {{weekday}}\n\n## Log\n',
      );
      expect(recado('slip', 'ring', 'lars', ...today, '--in', desk, '--write')).toMatchObject({ place });
      recado('slip', 'oil', '--now', '2026-11-23T10:05', '--in', desk, '--write');
      expect(readFileSync(path.join(desk, 'Journal/2026-11-23.md'), 'utf8')).toBe(
        '## Routine\n- [ ] Wind the clock of Monday\n\n## Log\n- [ ] ring lars {made 2026-11-23}\n- [ ] oil {made 2026-11-23 10:05}\n',
      );
      writeFileSync(path.join(desk, 'settings.json'), JSON.stringify({ slipSide: 'first', slipLater: 'page' }));
      const later = ['--in', desk, '--settings', path.join(desk, 'settings.json')];
      expect(recado('slip', 'oil tomorrow', ...today, ...later)).toMatchObject({ place: { note: 'Journal/2026-11-24.md' } });
      expect(() => recado('slip', '  ', ...today)).toThrow('words');
      expect(() => recado('slip', 'a', ...today, '--write')).toThrow('--in');
      expect(recado('carry', desk, '--today', '2026-11-25')).toMatchObject({
        offered: [{ text: 'Wind the clock of Monday', note: 'Journal/2026-11-23.md', line: 2 }],
        left: { rests: 0, waits: 0, repeats: 0, leftAlone: 0 },
      });
      const made = ['template', desk, '--at', 'Templates/Day', ...today];
      expect(recado(...made)).toEqual({ text: '## Routine\n- [ ] Wind the clock of Monday\n\n## Log\n', questions: [] });
      writeFileSync(path.join(desk, 'Templates/Project.md'), '---\nkind: template\nfor: project\n---\n# {{name}}\n{{question: outcome}}\n');
      const project = ['template', desk, '--at', 'Templates/Project.md', ...today, '--name', 'Storage'];
      expect(recado(...project)).toEqual({ text: '---\nkind: project\n---\n# Storage\n{{question: outcome}}\n', questions: ['outcome'] });
      expect(recado(...project, '--answers', '{"outcome":"All dry"}')).toMatchObject({
        text: '---\nkind: project\n---\n# Storage\nAll dry\n',
        questions: [],
      });
      expect(() => recado(...project, '--answers', '[]')).toThrow('object');
      expect(() => recado('template', desk, '--at', 'Nowhere', ...today)).toThrow('no such template');
    } finally {
      rmSync(desk, { recursive: true });
    }
  });

  it('day and kept say what is on a day, and how days went', () => {
    const days = mkdtempSync(path.join(tmpdir(), 'recado-days-'));
    try {
      const page = '- 09:00-10:00 Rounds\n- [x] Lamp test {done 2026-11-23 08:15}\n- [ ] Rider {plan 2026-11-23 23:30; takes 1h}\n';
      writeFileSync(path.join(days, '2026-11-23.md'), page);
      writeFileSync(path.join(days, '2026-11-24.md'), '---\nexcused: ill\n---\n- [ ] Key\n');
      writeFileSync(path.join(days, 'Loans.md'), '---\nkind: meeting\ndate: 2026-11-23\nstart: 11:00\nend: 11:45\n---\n');
      const note = '2026-11-23.md';
      expect(recado('day', days, '--today', '2026-11-23')).toEqual({
        items: [
          { note, line: 1, text: 'Rounds', kind: 'appointment', start: '09:00', end: '10:00', minutes: 60, status: null },
          { note: 'Loans.md', line: null, text: 'Loans', kind: 'meeting', start: '11:00', end: '11:45', minutes: 45, status: null },
          { note, line: 3, text: 'Rider', kind: 'task', start: '23:30', end: '00:30', minutes: 60, status: 'todo' },
          { note, line: 2, text: 'Lamp test', kind: 'task', start: null, end: null, minutes: null, status: 'done' },
        ],
      });
      expect(recado('kept', days, '--from', '2026-11-22', '--to', '2026-11-24', '--today', '2026-11-25')).toEqual({
        days: [
          { day: '2026-11-22', planned: 0, kept: 0, excused: null },
          { day: '2026-11-23', planned: 2, kept: 1, excused: null },
          { day: '2026-11-24', planned: 1, kept: 0, excused: 'ill' },
        ],
      });
      writeFileSync(path.join(days, 'settings.json'), JSON.stringify({ openEndLength: 15, slipHeading: 'Came in', theme: 'dark' }));
      writeFileSync(path.join(days, '2026-11-26.md'), '- 09:00 Rounds\n## Came in\n- 10:00 Lars rang\n');
      expect(recado('day', days, '--today', '2026-11-26', '--settings', path.join(days, 'settings.json'))).toMatchObject({
        items: [{ text: 'Rounds', minutes: 15 }],
      });
      expect(() => recado('kept', days, '--from', '1900-01-01', '--to', '2026-11-24')).toThrow('ten years');
    } finally {
      rmSync(days, { recursive: true });
    }
  });

  it('archives nothing over what is there and was not read, and writes nowhere outside', () => {
    const own = mkdtempSync(path.join(tmpdir(), 'recado-'));
    const source = '- [x] one\n- [x] two\n';
    writeFileSync(path.join(own, 'A.md'), source);
    writeFileSync(path.join(own, 'Bytes.md'), Buffer.from([0x2d, 0xff, 0xfe]));
    mkdirSync(path.join(own, 'Folder.md'));
    const archive = (to: string): unknown => recado('act', own, '--at', 'A.md:1', 'archive', to, '--today', '2026-11-23', '--write');
    for (const to of ['Bytes', 'Folder', '../outside']) {
      expect(archive(to)).toMatchObject({ files: [], refused: expect.any(String) as string });
    }
    expect(readFileSync(path.join(own, 'A.md'), 'utf8')).toBe(source);
    expect(existsSync(path.join(own, '../outside.md'))).toBe(false);
    // The note that something is taken out of is written last.
    expect((archive('Old/2026') as ActAnswer).files.map(({ note }) => note)).toEqual(['Old/2026.md', 'A.md']);
    expect(readFileSync(path.join(own, 'Old/2026.md'), 'utf8')).toContain('- [x] one');
    expect(readFileSync(path.join(own, 'A.md'), 'utf8')).toBe('- [x] two\n');
    rmSync(own, { recursive: true });
  });

  it('writes none of several files when one cannot be written', () => {
    const own = mkdtempSync(path.join(tmpdir(), 'recado-'));
    writeFileSync(path.join(own, 'A.md'), 'a');
    mkdirSync(path.join(own, 'B.md'));
    const files = [
      { note: 'A.md', text: 'changed' },
      { note: 'B.md', text: 'b' },
    ];
    expect(() => readFolder(own).write(files)).toThrow('B.md cannot be written, so nothing was.');
    expect(() => readFolder(own).write([{ note: '../C.md', text: 'c' }])).toThrow('outside');
    expect(readFileSync(path.join(own, 'A.md'), 'utf8')).toBe('a');
    rmSync(own, { recursive: true });
  });

  it('scans a folder', () => {
    const { tasks } = recado('scan', folder, '--today', '2026-11-23') as { tasks: ScannedTask[] };
    expect(tasks.map((task) => `${task.note}:${task.line} ${task.status}`)).toEqual([
      'Exhibitions/Salt.md:5 underway',
      'Exhibitions/Salt.md:6 done',
      'Exhibitions/Salt.md:7 cancelled',
      'Exhibitions/Salt.md:8 todo',
      'Other.md:1 todo',
      'Other.md:2 waiting',
    ]);
    expect(tasks[0]).toEqual({
      note: 'Exhibitions/Salt.md',
      line: 5,
      raw: TEXT.split('\n')[4],
      text: 'Ask @ilse about [[Tide clock|it]]',
      status: 'underway',
      due: '2026-11-27 15:00',
      plan: '2026-W48',
      start: '2026-11-25',
      every: 'week on fri',
      until: null,
      takes: 90,
      priority: 'top',
      owner: 'kofi',
      tags: [],
      inheritedTags: ['exhibition', 'loans'],
      people: ['ilse'],
      inheritedPeople: [],
      links: ['Tide clock'],
      remind: '1h before',
      ref: null,
      needs: ['zzzzz9'],
      made: null,
      done: null,
      cancelled: null,
      since: '2026-11-20',
      asked: 'bea',
      pushed: ['2026-11-13'],
      lapses: null,
      question: false,
      joined: null,
      sent: null,
      key: true,
      echo: null,
      depth: 0,
      parent: null,
      heading: ['Loans #loans'],
      resting: true,
      progress: 0.5,
      problems: [
        expect.objectContaining({ message: '“odd” is no clause that Recado knows; it is kept as it stands.' }),
        expect.objectContaining({ message: 'There is no task with the ref zzzzz9.' }),
      ],
    });
    expect(tasks[3]).toMatchObject({ parent: 5, depth: 1, resting: true, progress: null });
  });

  it('gathers notes and key points', () => {
    const notes = recado(
      'gather',
      folder,
      '--query',
      'from notes where open > 0 order by open desc',
      '--today',
      '2026-11-23',
    ) as GatherAnswer;
    expect(notes.groups[0]?.rows.map((row) => ('title' in row ? [row.note, row.open > 0] : 'no note'))).toEqual(
      notes.groups[0]?.rows.map((row) => [row.note, true]),
    );
    expect(notes.total).toBeGreaterThan(1);
    const points = recado('gather', folder, '--query', 'from key points\nincluding resting', '--today', '2026-11-23') as GatherAnswer;
    expect(points.groups[0]?.rows[0]).toMatchObject({ key: true });
  });

  it('acts, and writes only when it is told to', () => {
    const answer = recado('act', folder, '--at', 'Other.md:1', 'finish', '--now', '2026-11-23T09:14') as ActAnswer;
    const after = '\ufeff- [x] one {done 2026-11-23 09:14}\r\n- [!] two\r\n';
    expect(answer).toEqual({ files: [{ note: 'Other.md', text: after }], refused: null });
    expect(readFileSync(path.join(folder, 'Other.md'), 'utf8')).toContain('- [ ] one');
    recado('act', folder, '--at', 'Other:1', 'finish', '--today', '2026-11-23', '--write');
    expect(readFileSync(path.join(folder, 'Other.md'), 'utf8')).toBe(after.replace(' 09:14', ''));
    writeFileSync(path.join(folder, 'Other.md'), '\ufeff- [ ] one\r\n- [!] two\r\n');
  });

  it.each([
    [['finish', '--expect', '- [ ] gone'], 'That line is no longer there, so nothing was changed.'],
    [['push', 'soon'], '“soon” names no day to move to, so nothing was changed.'],
    [['move', 'Nowhere'], 'There is no note “Nowhere”, so nothing was changed.'],
    [['rename', '#none', '#x'], '#none is named nowhere, so nothing was changed.'],
  ])('%j is refused, which is an answer', (words, refused) =>
    expect(recado('act', folder, '--at', 'Other.md:1', ...words, '--today', '2026-11-23')).toEqual({ files: [], refused }),
  );

  it.each([
    [['set', 'due', 'fri'], '- [ ] one {due 2026-11-27}'],
    [['status', 'under way'], '- [_] one {since 2026-11-23}'],
    [['status', '!'], '- [!] one {since 2026-11-23}'],
    [['cancel', '--remark', 'not lent'], '- [-] one {cancelled 2026-11-23}\r\n  - not lent'],
    [['tag', '@kofi'], '- [ ] one @kofi'],
    [['duplicate'], '- [ ] one\r\n- [ ] one'],
    [['sink'], ''],
    [['archive', 'Old'], '---\nkind: archive\n---\n\nfrom [[Other]], 2026-11-23\n\n- [ ] one\n'],
  ])('%j', (words, expected) => {
    const { files } = recado('act', folder, '--at', 'Other.md:1', ...words, '--today', '2026-11-23') as ActAnswer;
    expect(files.map((file) => file.text).join('')).toContain(expected);
  });

  it('prints the next dates of a repeat', () => {
    expect(recado('next', 'every month on last fri', '--from', '2026-11-23', '--count', '2')).toEqual({
      rule: 'FREQ=MONTHLY;BYDAY=-1FR',
      dates: ['2026-11-27', '2026-12-25'],
    });
    expect(recado('next', '3 months after done', '--from', '2026-08-01', '--done', '2026-11-23')).toEqual({
      rule: null,
      dates: ['2027-02-23'],
    });
    expect(recado('next', 'day x1', '--from', '2026-08-01', '--done', '2026-11-23')).toMatchObject({ dates: [] });
  });

  it('prints what is understood as a date', () => {
    expect(recado('date', 'send the list by next week', '--today', '2026-11-23')).toEqual({
      date: '2026-12-06',
      week: null,
      month: null,
      time: null,
      role: 'due',
      words: 'send the list',
    });
    expect(recado('date', 'sat with noor', '--today', '2026-11-23')).toMatchObject({ date: null, role: null, words: 'sat with noor' });
    expect(recado('date', 'week 50', '--today', '2026-11-23')).toMatchObject({ date: null, week: '2026-W50', role: 'plan' });
  });

  it('fit says what each day has to give, and what must move', () => {
    const days = mkdtempSync(path.join(tmpdir(), 'recado-fit-'));
    try {
      writeFileSync(path.join(days, '2026-11-23.md'), '- 09:00-11:00 Rounds\n');
      writeFileSync(
        path.join(days, 'Loans.md'),
        [
          '- [ ] Late {due 2026-11-20; takes 2h}',
          '- [ ] Long {due 2026-11-24; takes 9h}',
          '- [ ] Low {due 2026-11-24; takes 3h; low}',
          '- [_] Begun {due 2026-11-24; takes 3h}',
          '- [ ] Whole {due 2026-11-25; takes 1h}',
          '  - [ ] part {due 2026-11-24; takes 30m}',
          '- [:] Waits {due 2026-11-24; takes 5h}',
          '- [ ] Theirs {due 2026-11-24; takes 5h; owner @kofi}',
          '- [ ] No length {due 2026-11-24}',
          '- [ ] Too long {start 2026-11-25; due 2026-11-25; takes 7h}',
        ].join('\n'),
      );
      const { days: there, move } = recado('fit', days, '--today', '2026-11-23') as { days: unknown; move: unknown };
      expect(there).toEqual([
        { day: '2026-11-23', hours: 240, load: 120 },
        { day: '2026-11-24', hours: 360, load: 900 },
        { day: '2026-11-25', hours: 360, load: 480 },
      ]);
      expect(move).toEqual([
        { note: 'Loans.md', line: 10, text: 'Too long', due: '2026-11-25', minutes: 420, alone: true },
        { note: 'Loans.md', line: 2, text: 'Long', due: '2026-11-24', minutes: 540, alone: false },
      ]);
      const later = recado('fit', days, '--now', '2026-11-23T12:00') as { days: { hours: number }[]; move: { text: string }[] };
      expect(later.days[0]?.hours).toBe(180);
    } finally {
      rmSync(days, { recursive: true });
    }
  });

  it('answers a gather with its sentence, groups and steps', () => {
    const answer = recado('gather', folder, '--today', '2026-11-23', '--query', 'open\ngroup by status\nincluding resting') as GatherAnswer;
    expect(answer).toMatchObject({
      title: null,
      sentence: 'Tasks that are open, resting ones too, grouped by status.',
      total: 4,
      groups: [
        { key: 'todo', count: 2, totals: { count: 2, takes: 0, progress: 0 } },
        { key: 'underway', count: 1, rows: [{ note: 'Exhibitions/Salt.md', line: 5, steps: [] }] },
        { key: 'waiting', count: 1 },
      ],
    });
    const nested = recado('gather', folder, '--today', '2026-12-02', '--query', '#loans and not cancelled') as GatherAnswer;
    expect(nested.groups[0]).toMatchObject({ key: null, count: 3, rows: [{ line: 5, steps: [{ line: 6 }, { line: 8 }] }] });
    const two = recado('gather', folder, '--today', '2026-11-23', '--query', 'done group by status, week of done') as GatherAnswer;
    expect(two.groups.map((group) => group.key)).toEqual([['done', '2026-W47']]);
  });

  it('says why a task is in an answer or out of it', () => {
    const why = (query: string) => recado('why', folder, '--at', 'Other.md:1', '--today', '2026-11-23', '--query', query);
    expect(why('open')).toMatchObject({ in: true, tree: { condition: 'open', holds: true, found: 'todo' } });
    expect(why('late and #x')).toMatchObject({ in: false, changes: [['late', '#x']] });
    expect(() => why('opne')).toThrow(
      'The query cannot be read at 0: Here “opne” stands, where a condition was expected. Did you mean “open”?',
    );
    expect(() => recado('why', folder, '--at', 'Other.md:9', '--query', 'open')).toThrow('There is no task at Other.md:9.');
    expect(() => recado('gather', folder)).toThrow('gather needs --query TEXT.');
  });

  it('runs a batch, whose failures stand in their places', async () => {
    const file = path.join(folder, 'batch.json');
    writeFileSync(
      file,
      JSON.stringify([['date', 'fri', '--today', '2026-11-23'], ['next', 'never'], ['scan', '/no/such'], 'scan', ['batch', file]]),
    );
    expect(await recado('batch', file)).toEqual([
      expect.objectContaining({ date: '2026-11-27' }),
      { error: '“never” is no repeat.' },
      { error: 'There is no file or folder /no/such.' },
      { error: 'A command is a list of words.' },
      { error: 'A batch cannot hold another.' },
    ]);
  });

  it.each([
    [['scan'], 'scan needs a file or folder.'],
    [['fly'], 'There is no command “fly”.'],
    [['scan', '.', '--colour'], 'There is no option --colour.'],
    [['scan', '.', '--today', 'fri'], '--today is “fri”; a day looks like 2026-11-23.'],
    [['scan', '.', '--settings', '/no/such'], 'The settings /no/such cannot be read as JSON.'],
  ])('%j fails plainly', (words, message) => expect(() => recado(...words)).toThrow(message));

  it('ends with 0 for an answer and 2 for a failure, and prints nothing else', () => {
    const root = path.resolve(__dirname, '..');
    const call = (...words: string[]) => spawnSync(process.execPath, ['scripts/recado.mjs', ...words], { cwd: root, encoding: 'utf8' });
    const fine = call('date', 'fri', '--today', '2026-11-23', '--json');
    expect([fine.status, fine.stderr, JSON.parse(fine.stdout)]).toEqual([0, '', expect.objectContaining({ date: '2026-11-27' })]);
    const failed = call('scan', '/no/such', '--json');
    expect([failed.status, failed.stdout, failed.stderr]).toEqual([2, '', 'There is no file or folder /no/such.\n']);
  }, 20_000);
});

describe('finding', () => {
  it('find gives notes with their lines, and tasks; links what leads to a note', () => {
    const desk = mkdtempSync(path.join(tmpdir(), 'recado-find-'));
    try {
      writeFileSync(
        path.join(desk, 'Crates.md'),
        '# Crates\n\n- [ ] Weigh the crate of the Lamp #loans {due 2026-11-20}\n- [x] Paint the crate\n',
      );
      writeFileSync(path.join(desk, 'Lamp.md'), 'It came in a crate.\n');
      writeFileSync(path.join(desk, 'Round.md'), 'Wind [[Lamp]]\n');
      expect(recado('find', desk, 'crate', '--today', '2026-11-23')).toMatchObject({
        notes: expect.arrayContaining([
          { note: 'Lamp.md', title: 'Lamp', tasks: 0, open: 0, lines: [{ line: 1, text: 'It came in a crate.' }] },
          expect.objectContaining({ note: 'Crates.md', tasks: 2, open: 1 }),
        ]) as unknown,
        tasks: [{ text: 'Weigh the crate of the Lamp #loans' }, { text: 'Paint the crate' }],
      });
      expect(recado('find', desk, 'crate #loans', '--open', '--today', '2026-11-23')).toMatchObject({
        notes: [{ note: 'Crates.md' }],
        tasks: [{ line: 3 }],
      });
      expect(recado('links', desk, '--at', 'Lamp.md')).toEqual({
        linked: [{ note: 'Round.md', line: 1, text: 'Wind [[Lamp]]' }],
        named: [{ note: 'Crates.md', line: 3, text: '- [ ] Weigh the crate of the Lamp #loans {due 2026-11-20}' }],
      });
      expect(() => recado('find', desk)).toThrow('words');
      expect(() => recado('links', desk, '--at', 'Gone')).toThrow('no note');
    } finally {
      rmSync(desk, { recursive: true });
    }
  });
});
