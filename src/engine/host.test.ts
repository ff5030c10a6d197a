import { SHIPPED_PAGES } from '../core/agenda/shipped';
import { EngineHost } from './host';
import type { EngineEvent } from './protocol';
import { EMPTY_OVERVIEW, overviewAfter } from '../core/index/live/overview';
import { answersAfter } from '../core/index/live/news';
import { SETTINGS } from './test-settings';

function engine(notes: Record<string, string>) {
  const events: EngineEvent[] = [];
  const all = Object.entries(notes).map(([path, text]) => ({ path, text }));
  const host = new EngineHost({
    portions: async function* () {
      for (const note of all) yield { notes: [note], all: all.length };
    },
  });
  const news = () => events.filter((event) => event.is === 'news');
  /** What the page holds after everything that was told. */
  const page = () =>
    news().reduce(
      (state, event) => ({
        overview: event.overview ? overviewAfter(state.overview, event.overview) : state.overview,
        answers: answersAfter(state.answers, event.answers),
      }),
      { overview: EMPTY_OVERVIEW, answers: answersAfter({}, {}) },
    );
  const started = host.start(SETTINGS, (event) => events.push(event));
  return { host, events, news, page, started };
}

describe('the engine', () => {
  it('answers what was asked before it was ready, once everything is read', async () => {
    const { host, events, page, started } = engine({ 'A.md': '- [ ] a {due 2026-11-20}', 'B.md': '- [ ] b' });
    await host.subscribe('late', 'late', null);
    await host.apply([{ path: 'C.md', text: '- [ ] c {due 2026-11-19}' }]);
    await started;
    expect(events.filter((event) => event.is === 'progress')).toEqual([
      { is: 'progress', read: 1, all: 2 },
      { is: 'progress', read: 2, all: 2 },
    ]);
    expect(page().answers['late']?.total).toBe(2);
    expect(page().overview).toMatchObject({ tasks: 3, open: 3 });
  });

  it('shows the first rows of a long list, and gives the others when they have left', async () => {
    const lines = Array.from({ length: 500 }, (_, index) => `- [ ] crate ${index} #g${index % 3}`);
    const { host, news, page, started } = engine({ 'A.md': lines.join('\n') });
    await host.subscribe('before', 'open group by tag', null);
    await started;
    const rows = (id: string): number[] => page().answers[id]?.groups.map((group) => group.rows.length) ?? [];
    await host.subscribe('after', 'open group by tag', null);
    expect(rows('after')).toEqual([167, 33, 0]);
    expect(page().answers['after']?.groups.map((group) => group.count)).toEqual([167, 167, 166]);
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect(rows('after')).toEqual([167, 167, 166]);
    expect(rows('before')).toEqual([167, 167, 166]);
    const first = news()[0]?.answers['before'];
    expect(first?.is === 'whole' && first.answer.groups.map((group) => group.rows.length)).toEqual([167, 33, 0]);
    const before = news().length;
    await host.subscribe('short', '#g1 limit 2', null);
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect(news()).toHaveLength(before + 1);
  });

  it('tells only answers that a change touches, together with the counts', async () => {
    const { host, news, started } = engine({ 'A.md': '- [ ] a #x', 'B.md': '- [ ] b #y' });
    await started;
    await host.subscribe('x', '#x', null);
    await host.subscribe('y', '#y', null);
    const before = news().length;
    await host.apply([{ path: 'A.md', text: '- [ ] a #x\n- [ ] a2 #x' }]);
    const told = news().slice(before);
    expect(told).toHaveLength(1);
    expect(Object.keys(told[0]?.answers ?? {})).toEqual(['x']);
    expect(told.find(({ overview }) => overview)?.overview?.open).toBe(3);
  });

  it('moves every relative date when the day turns', async () => {
    const { host, page, started } = engine({ 'A.md': '- [ ] a {due 2026-11-23}' });
    await started;
    await host.subscribe('late', 'late', null);
    expect(page().answers['late']?.total).toBe(0);
    await host.changeSettings({ ...SETTINGS, today: SETTINGS.today + 1 });
    expect(page().answers['late']?.total).toBe(1);
  });

  it('counts the different open tasks of each agenda page, also when the page changes', async () => {
    const pages = Object.fromEntries(SHIPPED_PAGES.map((page) => [page.path, page.text]));
    const { host, page, started } = engine({
      ...pages,
      'A.md': '- [ ] a {due 2026-11-20; plan 2026-11-23}\n- [ ] b\n- [ ] c {start 2026-12-01}\n- [x] d {done 2026-11-23}',
    });
    await started;
    const counts = () => page().overview.agendaCounts;
    expect(counts()).toEqual({
      'Agenda/By note.md': 2,
      'Agenda/By tag.md': 2,
      'Agenda/Finished.md': 0,
      'Agenda/People.md': 0,
      'Agenda/Waiting.md': 0,
      'Agenda/Today.md': 1,
      'Agenda/Ahead.md': 0,
      'Agenda/Inbox.md': 0,
      'Agenda/Undated.md': 1,
      'Agenda/Resting.md': 1,
      'Agenda/Board.md': 2,
      'Agenda/Mine.md': 2,
      'Agenda/Month.md': 2,
      'Agenda/Projects.md': 0,
      'Agenda/Goals.md': 0,
      'Agenda/Without a next step.md': 0,
      'Agenda/Stands still.md': 0,
      'Agenda/Not now.md': 0,
      'Agenda/Finished and still in place.md': 0,
      'Agenda/Questions.md': 0,
      'Agenda/Lapsed.md': 0,
      'Agenda/What comes again.md': 0,
      'Agenda/Record of days.md': 0,
      'Agenda/Picture of the work.md': 2,
    });
    await host.apply([{ path: 'Agenda/Inbox.md', text: '---\nkind: agenda\n---\n```gather\nopen\n```\n' }]);
    expect(counts()['Agenda/Inbox.md']).toBe(2);
    await host.apply([{ path: 'Agenda/Inbox.md', text: null }]);
    expect(counts()).not.toHaveProperty('Agenda/Inbox.md');
  });

  it('finds the note that a link means by title, alias, file name or path', async () => {
    const { host, started } = engine({ 'F/A.md': '---\ntitle: Long title\naliases: [other]\n---\n' });
    await started;
    for (const name of ['Long title', 'other', 'a', 'F/A', 'f/a.md'])
      expect(await host.ask('resolve', { target: name, from: null })).toBe('F/A.md');
    expect(await host.ask('resolve', { target: 'none', from: null })).toBeNull();
  });

  it('finds tasks by their words, open ones first, and tells why one is missing from a gather', async () => {
    const { host, started } = engine({
      'A.md': '- [x] crate "A"\n- [ ] Crate b {due 2026-12-24}\n  - [ ] crate step {start 2027-01-01}\n- [ ] other',
    });
    await started;
    expect((await host.ask('find', { words: 'CRATE' })).map((one) => one.text)).toEqual(['Crate b', 'crate step', 'crate "A"']);
    expect((await host.ask('find', { words: '"A"' })).map((one) => one.line)).toEqual([0]);
    expect(
      await host.ask('why', { text: 'due in next 14 days', at: null, path: 'A.md', line: 1, expected: '- [ ] Crate b {due 2026-12-24}' }),
    ).toEqual({
      why: expect.objectContaining({ in: false, changes: [['due in next 14 days']] }) as object,
      ref: { path: 'A.md', line: 1, expected: '- [ ] Crate b {due 2026-12-24}' },
      text: 'Crate b',
    });
    // Lines came above it; then it became another.
    const asked = { text: 'late', at: null, path: 'A.md', line: 0 };
    expect((await host.ask('why', { ...asked, expected: '- [ ] other' }))?.ref.line).toBe(3);
    expect((await host.ask('why', { ...asked, expected: '- [ ] crate "A"' }))?.ref.expected).toBe('- [x] crate "A"');
    expect(await host.ask('why', { ...asked, line: 9, expected: 'gone' })).toBeNull();
  });

  it('reads everything again when a note adds a status, and when it goes', async () => {
    const { host, page, started } = engine({ 'A.md': '- [!] a', 'S.md': '---\nkind: status\nsign: "!"\nmeans: waiting\n---\n' });
    await host.subscribe('waiting', 'waiting', null);
    await started;
    const total = () => page().answers['waiting']?.total;
    expect(total()).toBe(1);
    expect(page().overview.statuses).toMatchObject([{ sign: '!', means: 'waiting' }]);
    await host.apply([{ path: 'S.md', text: null }]);
    await new Promise((resolve) => setTimeout(resolve));
    expect(total()).toBe(0);
  });

  it('lists a sealed note by its name alone unless that tells nothing, and keeps what is open while all is read again', async () => {
    const hidden = 'Private/sealed-aaaabbbbccccdddd.md.age';
    const closed = null as unknown as string;
    const { host, page, started } = engine({ 'A.md': '- [ ] a', [hidden]: closed, 'Diary.md.age': closed });
    await started;
    const titles = (): string[] => page().overview.notes.map(({ title }) => title);
    expect(titles().sort()).toEqual(['A', 'Diary']);
    await host.apply([{ path: hidden, text: '---\ntitle: Garden\n---\n- [?] water the quince' }]);
    expect(titles().sort()).toEqual(['A', 'Diary', 'Garden']);
    await host.apply([{ path: 'Statuses/Asked.md', text: '---\nkind: status\nsign: "?"\nname: Asked\nmeans: waiting\n---\n' }]);
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(page().overview).toMatchObject({ tasks: 2, open: 2 });
    await host.apply([{ path: hidden, text: null }]);
    expect(page().overview).toMatchObject({ tasks: 1 });
  });

  it('counts a task once however many echoes it has; one whose task is gone stands for itself', async () => {
    const { host, page, started } = engine({ 'A.md': '- [ ] a {ref k3f9qa}', 'B.md': '- [ ] [a](recado:k3f9qa)' });
    await host.subscribe('open', 'open', null);
    await started;
    const total = () => page().answers['open']?.total;
    expect(total()).toBe(1);
    expect(await host.ask('refProblems', { path: 'B.md' })).toEqual([]);
    await host.apply([{ path: 'A.md', text: 'words' }]);
    expect(total()).toBe(1);
    expect(await host.ask('refProblems', { path: 'B.md' })).toMatchObject([
      { line: 0, problems: [{ message: expect.stringContaining('gone') as string }] },
    ]);
    await host.apply([{ path: 'A.md', text: '- [ ] a {ref k3f9qa}\n- [ ] b {needs zzzzz9}' }]);
    expect(total()).toBe(2);
    expect(await host.ask('refProblems', { path: 'A.md' })).toMatchObject([{ line: 1 }]);
  });
});

describe('what comes while something else is waited for', () => {
  /** An engine whose second reading of the notes waits until it is let go. */
  function slow(notes: Record<string, string>) {
    const events: EngineEvent[] = [];
    let let_go: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (let_go = resolve));
    let readings = 0;
    const host = new EngineHost({
      portions: async function* () {
        const all = Object.entries(notes).map(([path, text]) => ({ path, text }));
        if (++readings === 2) await held;
        yield { notes: all, all: all.length };
      },
    });
    const started = host.start(SETTINGS, (event) => events.push(event));
    const answers = () =>
      events.reduce<ReturnType<typeof answersAfter>>((all, event) => (event.is === 'news' ? answersAfter(all, event.answers) : all), {});
    return { host, started, answers, letGo: () => let_go(), readings: () => readings };
  }
  const pause = () => new Promise((resolve) => setTimeout(resolve, 10));

  it('a note that changes while everything is read again stays as it is then', async () => {
    const { host, started, answers, letGo } = slow({ 'A.md': '- [ ] old', 'B.md': '- [ ] b' });
    await started;
    await host.subscribe('all', 'open order by path', null);
    await host.apply([{ path: 'S.md', text: '---\nkind: status\nsign: "!"\nmeans: waiting\n---\n' }]);
    await host.apply([{ path: 'A.md', text: '- [ ] new\n- [!] waits' }]);
    await host.apply([{ path: 'B.md', text: null }]);
    letGo();
    await pause();
    expect(answers()['all']?.groups.flatMap((group) => group.rows.map((row) => row.text))).toEqual(['new', 'waits']);
    expect(answers()['all']?.groups[0]?.rows[1]?.status).toBe('waiting');
  });

  it('the day that turns while the notes are read first is the day that counts', async () => {
    let letGo: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (letGo = resolve));
    const events: EngineEvent[] = [];
    const host = new EngineHost({
      portions: async function* () {
        yield { notes: [{ path: 'A.md', text: '- [ ] a {due 2026-11-23}' }], all: 2 };
        await held;
        yield { notes: [{ path: 'B.md', text: '- [ ] b' }], all: 2 };
      },
    });
    const started = host.start(SETTINGS, (event) => events.push(event));
    await host.subscribe('late', 'late', null);
    await host.changeSettings({ ...SETTINGS, today: SETTINGS.today + 1 });
    letGo();
    await started;
    const told = events.flatMap((event) => (event.is === 'news' ? [event.answers['late']] : []));
    expect(told[0]?.is === 'whole' && told[0].answer.total).toBe(1);
  });

  it('what is asked twice before patterns are there, and what is no longer asked, is not answered', async () => {
    const { host, started, answers } = slow({ 'A.md': '- [ ] a\n- [ ] b' });
    await started;
    const first = host.subscribe('x', 'text like /a/', null);
    await host.subscribe('x', 'open', null);
    const gone = host.subscribe('y', 'text like /b/', null);
    await host.unsubscribe('y');
    await Promise.all([first, gone]);
    await pause();
    expect(answers()['x']?.total).toBe(2);
    expect(answers()).not.toHaveProperty('y');
  });
});
