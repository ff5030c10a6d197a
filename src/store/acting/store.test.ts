import 'fake-indexeddb/auto';
import { ACTION_DEFAULTS } from '../../core/task/acts/action-context';
import fc from 'fast-check';
import { dayOfLine } from '../../core/note/facts/line-days';
import { RecadoDatabase } from '../notes/database';
import { NoteActions } from './note-actions';
import { failureSentence } from '../notes/failure';
import type { StoreChange } from '../notes/note-source';
import { NoteStore } from '../notes/note-store';
import { DEFAULT_SETTINGS, readSettings } from '../device/settings';
import { desk, tabs, text, texts, until } from '../test-desk';
import { command, TYPING } from '../notes/origin';

describe('the store', () => {
  it('writes only what still is as the writer saw it, whole or not at all', async () => {
    const { store, ready } = desk({ 'A.md': 'a', 'B.md': 'b' });
    await ready;
    const result = await store.commit(command('both'), [
      { path: 'A.md', expect: text('a'), content: text('a2') },
      { path: 'B.md', expect: text('other'), content: text('b2') },
    ]);
    expect(result).toEqual({ saved: false, conflict: 'B.md' });
    expect(await texts(store)).toEqual({ 'A.md': 'a', 'B.md': 'b' });
  });

  it('knows a note by its path without case, in NFC', async () => {
    const { store, ready } = desk({ 'Été/Salt.md': 'a' });
    await ready;
    expect(await store.text('e\u0301te\u0301/SALT.md')).toBe('a');
  });

  it('tells what changed once it is durable', async () => {
    const { store, ready } = desk();
    await ready;
    const heard: string[] = [];
    store.listen({
      writing: (count) => heard.push(String(count)),
      changed: (changes: readonly StoreChange[]) => heard.push(...changes.map((one) => one.path)),
    });
    await store.commit(TYPING, [{ path: 'A.md', expect: null, content: text('a') }]);
    expect(heard).toEqual(['1', '0', 'A.md']);
  });

  it('says that a write failed, and keeps what was there', async () => {
    const { store, db, ready } = desk({ 'A.md': 'a' });
    await ready;
    const full = jest.spyOn(db.notes, 'bulkPut').mockImplementation(() => {
      throw Object.assign(new Error('full'), { name: 'QuotaExceededError' });
    });
    const failed = await store.commit(TYPING, [{ path: 'A.md', expect: text('a'), content: text('b') }]).catch((error: unknown) => error);
    full.mockRestore();
    expect(failureSentence(failed)).toContain('disk is full');
    expect(await store.text('A.md')).toBe('a');
  });

  it('a listener that fails is reported, and holds up neither the commit nor the others', async () => {
    const { store, problems, ready } = desk();
    await ready;
    const heard: string[] = [];
    store.listen({
      changed: () => {
        throw new Error('broken');
      },
      stepped: () => {
        throw new Error('broken too');
      },
      writing: () => {
        throw new Error('and this');
      },
    });
    store.listen({ changed: (changes) => heard.push(...changes.map(({ path }) => path)) });
    expect(await store.commit(command('New'), [{ path: 'A.md', expect: null, content: text('a') }])).toMatchObject({ saved: true });
    expect(heard).toEqual(['A.md']);
    expect(problems.length).toBeGreaterThanOrEqual(3);
    expect(await store.text('A.md')).toBe('a');
  });

  it('tells where a note went that was moved, in this tab and in others', async () => {
    const [a, b] = await tabs({ 'A.md': 'words' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const told: string[] = [];
    for (const { store } of [a, b])
      store.listen({
        changed: (changes) => told.push(...changes.flatMap(({ path, movedTo }) => (movedTo ? [`${path} → ${movedTo}`] : []))),
      });
    await a.actions.rename('A.md', 'B');
    await until(() => told.length === 2, 'told in both');
    expect(told).toEqual(['A.md → B.md', 'A.md → B.md']);
    expect(await b.store.steps.whereWent('a.md')).toBe('B.md');
    await a.store.steps.undo();
    await until(() => told.length === 4, 'told of the way back');
    expect(told.slice(2)).toEqual(['B.md → A.md', 'B.md → A.md']);
  });

  it('two notes that are made at once under one title are both kept', async () => {
    const { store, actions, ready } = desk();
    await ready;
    const made = await Promise.all([actions.create('F', 'New', 'one'), actions.create('F', 'New', 'two')]);
    expect(made.map((one) => ('path' in one ? one.path : one)).sort()).toEqual(['F/New 2.md', 'F/New.md']);
    expect(Object.values(await texts(store)).sort()).toEqual(['one', 'two']);
  });

  it('an action that cannot be stored says why, and changes nothing', async () => {
    const { store, actions, ready } = desk({ 'A.md': '- [ ] one' });
    await ready;
    jest.spyOn(store, 'commit').mockRejectedValue(Object.assign(new Error('full'), { name: 'QuotaExceededError' }));
    expect(await actions.act({ path: 'A.md', line: 0, expected: '- [ ] one' }, { do: 'raise' }, 'High')).toEqual({
      refused: 'The disk is full, or the browser gives Recado no more room. Nothing was changed.',
    });
    expect(await actions.create('', 'New', '')).toHaveProperty('refused');
    jest.restoreAllMocks();
  });

  it('is opened again when the browser closed it, but not after somebody deleted it', async () => {
    const { store, db, actions, ready } = desk({ 'A.md': '- [ ] one' });
    await ready;
    db.close();
    const raised = actions.act({ path: 'A.md', line: 0, expected: '- [ ] one' }, { do: 'raise' }, 'High');
    expect(await raised).toMatchObject({ done: true });
    store.db.abandon();
    expect(await actions.create('', 'New', '')).toMatchObject({ refused: expect.stringContaining('closed the store') as string });
  });

  it('a changed note of the demo counts as edited', async () => {
    const { store, ready } = desk();
    await ready;
    await store.commit(TYPING, [{ path: 'A.md', expect: null, content: text('a'), demo: 'untouched' }]);
    await store.commit(TYPING, [{ path: 'A.md', expect: text('a'), content: text('b') }]);
    expect((await store.get('A.md'))?.demo).toBe('edited');
  });
});

describe('undo', () => {
  it('takes back the newest step, whole, and keeps what changed on other lines since', async () => {
    const { store, actions, ready } = desk({ 'A.md': '- [ ] one\n\nwords\n\n- [ ] two\n' });
    await ready;
    await actions.act({ path: 'A.md', line: 0, expected: '- [ ] one' }, { do: 'status', status: 'done' }, 'Done: one');
    const ticked = (await store.text('A.md')) ?? '';
    await store.commit(TYPING, [{ path: 'A.md', expect: text(ticked), content: text(`${ticked}later\n`) }]);
    expect(await store.steps.undo()).toEqual({ undone: 'Done: one' });
    expect(await store.text('A.md')).toBe('- [ ] one\n\nwords\n\n- [ ] two\nlater\n');
    expect(await store.steps.undo()).toBeNull();
  });

  it('is refused with the reason when the same line changed since', async () => {
    const { store, actions, ready } = desk({ 'A.md': '- [ ] one\n' });
    await ready;
    await actions.act({ path: 'A.md', line: 0, expected: '- [ ] one' }, { do: 'status', status: 'done' }, 'Done: one');
    await store.commit(TYPING, [{ path: 'A.md', expect: text((await store.text('A.md')) ?? ''), content: text('- [:] one\n') }]);
    expect(await store.steps.undo()).toMatchObject({ refused: expect.stringContaining('same place') as string });
    expect(await store.text('A.md')).toBe('- [:] one\n');
  });

  it('takes back the step that is meant, though others came after it; once', async () => {
    const { store, actions, ready } = desk({ 'A.md': '- [ ] one\n- [ ] two\n' });
    await ready;
    const one = await actions.act({ path: 'A.md', line: 0, expected: '- [ ] one' }, { do: 'raise' }, 'High: one');
    await actions.act({ path: 'A.md', line: 1, expected: '- [ ] two' }, { do: 'raise' }, 'High: two');
    const step = 'step' in one ? (one.step ?? -1) : -1;
    expect(await store.steps.undoStep(step)).toEqual({ undone: 'High: one' });
    expect(await store.text('A.md')).toBe('- [ ] one\n- [ ] two {high}\n');
    expect(await store.steps.undoStep(step)).toBeNull();
    expect(await store.steps.undo()).toEqual({ undone: 'High: two' });
    expect(await store.text('A.md')).toBe('- [ ] one\n- [ ] two\n');
  });

  it('any sequence of actions and their undos returns the same bytes', async () => {
    const begin = { 'A.md': '\ufeff- [ ] one {due 2026-11-20}\r\n- [x] two\r\n', 'F/B.md': 'see [[A]]\n- [ ] three' };
    const { store, actions, ready } = desk(begin);
    await ready;
    const act = fc.constantFrom<() => Promise<unknown>>(
      async () => {
        const note = (await store.all()).find((one) => one.text?.includes('- [ ]'));
        const line =
          note?.text
            ?.replace('\ufeff', '')
            .split(/\r?\n/)
            .findIndex((words) => words.includes('- [ ]')) ?? 0;
        const expected = note?.text?.replace('\ufeff', '').split(/\r?\n/)[line] ?? '';
        return actions.act({ path: note?.path ?? '', line, expected }, { do: 'status', status: 'done' }, 'tick');
      },
      async () => actions.rename((await store.all())[0]?.path ?? '', 'Renamed'),
      async () => actions.move((await store.all())[0]?.path ?? '', 'Other'),
      async () => actions.remove([(await store.all())[0]?.path ?? ''], 'delete'),
      async () => actions.create('F', 'New', 'words'),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(act, { maxLength: 5 }), async (steps) => {
        for (const step of steps) await step();
        while (await store.steps.undo());
        expect(await texts(store)).toEqual(begin);
      }),
      { numRuns: 40, seed: 20261123 },
    );
  });
});

describe('renaming and moving', () => {
  it('carries the links along, in one step', async () => {
    const { store, actions, ready } = desk({
      'A.md': 'words',
      'B.md': '[[A]] and [[A#part|there]]\n',
      'C.md': '---\ntitle: Full title\n---\n[[A]]',
      'D.md': '[[Full title]] [[C]]',
    });
    await ready;
    expect(await actions.rename('A.md', 'Salt: a history')).toMatchObject({ path: 'Salt- a history.md', places: 3 });
    expect(await store.text('B.md')).toBe('[[Salt- a history]] and [[Salt- a history#part|there]]\n');
    await store.steps.undo();
    expect(await store.text('B.md')).toBe('[[A]] and [[A#part|there]]\n');
    await actions.rename('C.md', 'New');
    expect(await texts(store)).toMatchObject({ 'New.md': '---\ntitle: New\n---\n[[A]]', 'D.md': '[[New]] [[New]]' });
    expect(await actions.rename('A.md', '  ')).toEqual({ refused: 'A note needs a title.' });
  });
});

describe('settings', () => {
  it('take their default where something is missing or wrong', () => {
    expect(readSettings(undefined)).toEqual(DEFAULT_SETTINGS);
    expect(readSettings({ theme: 'dark', textSize: 7, workingHours: [1, 2], unknown: true })).toEqual({
      ...DEFAULT_SETTINGS,
      theme: 'dark',
    });
  });
});

describe('what is written down', () => {
  const LOG = { heading: 'Log', side: 'last' } as const;
  const PAGE = 'Journal/2026-11-23.md';

  it('in two tabs at one moment is all kept, also in a page that neither found', async () => {
    const [a, b] = await tabs({ 'A.md': 'words' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const lines = Array.from({ length: 6 }, (_, index) => `- [ ] crate ${index}`);
    const written = await Promise.all(
      lines.map((line, index) => (index % 2 === 0 ? a : b).actions.writeLines(PAGE, LOG, [line], 'Slip', '## Log\n')),
    );
    expect(written.every((result) => 'step' in result)).toBe(true);
    const stored = (await texts(a.store))[PAGE] ?? '';
    expect(stored.match(/## Log/g)).toHaveLength(1);
    expect(lines.filter((line) => !stored.includes(`${line}\n`))).toEqual([]);
  });

  it('many lines are one step; a page that begins by itself is none, and is left as it is where it is there', async () => {
    const { store, actions, ready } = desk({ 'A.md': 'words' });
    await ready;
    await actions.begin(PAGE, '## Log\n');
    await actions.begin(PAGE, 'another');
    expect(await store.steps.undo()).toBeNull();
    expect(await store.text(PAGE)).toBe('## Log\n');
    const lines = Array.from({ length: 2000 }, (_, index) => `- [ ] crate ${index}`);
    await actions.writeLines(PAGE, LOG, lines, 'Slip: crate 0');
    expect((await store.text(PAGE))?.split('\n')).toHaveLength(2002);
    expect(await store.steps.undo()).toEqual({ undone: 'Slip: crate 0' });
    expect(await store.text(PAGE)).toBe('## Log\n');
  });
});

describe('when lines were seen first', () => {
  it('is kept beside the text, also when the note is renamed', async () => {
    const day = 24 * 60 * 60 * 1000;
    let now = Date.UTC(2026, 10, 20, 12);
    const dated = new NoteStore(new RecadoDatabase(`seen ${Math.random()}`), 'tab', () => now);
    const dated2 = new NoteActions(dated, () => ({
      now: { day: 20780, minute: null },
      settings: ACTION_DEFAULTS,
      makeRef: () => 'k3f9qa',
    }));
    await dated.commit(TYPING, [{ path: 'A.md', expect: null, content: { text: '- [ ] a\n- [ ] b' } }]);
    now += 3 * day;
    await dated.commit(TYPING, [{ path: 'A.md', expect: { text: '- [ ] a\n- [ ] b' }, content: { text: '- [ ] a\n- [ ] new\n- [ ] b' } }]);
    await dated2.rename('A.md', 'B');
    const seen = (await dated.get('B.md'))?.seen ?? [];
    const [first = 0] = seen[0]?.slice(1) ?? [];
    expect([0, 1, 2].map((line) => (dayOfLine(seen, line) ?? 0) - first)).toEqual([0, 3, 0]);
    dated.close();
  });
});

describe('doing again what was undone', () => {
  it('goes forward over the same steps, until something else is done', async () => {
    const { store, actions, ready } = desk({ 'A.md': '- [ ] a\n- [ ] b' });
    await ready;
    const tick = (line: number, expected: string) =>
      actions.act({ path: 'A.md', line, expected }, { do: 'priority', priority: 'high' }, `High ${line}`);
    await tick(0, '- [ ] a');
    await tick(1, '- [ ] b');
    expect(await store.steps.undo()).toEqual({ undone: 'High 1' });
    expect(await store.steps.undo()).toEqual({ undone: 'High 0' });
    expect(await store.steps.redo()).toEqual({ redone: 'High 0' });
    expect(await store.text('A.md')).toBe('- [ ] a {high}\n- [ ] b');
    expect(await store.steps.redo()).toEqual({ redone: 'High 1' });
    expect(await store.steps.redo()).toBeNull();
    expect(await store.steps.undo()).toEqual({ undone: 'High 1' });
    await tick(0, '- [ ] a {high}');
    expect(await store.text('A.md')).toBe('- [ ] a {high}\n- [ ] b');
    expect(await store.steps.redo()).toEqual({ redone: 'High 1' });
    await actions.create('', 'New', 'words');
    await store.steps.undo();
    await actions.create('', 'Other', 'words');
    expect(await store.steps.redo()).toBeNull();
  });
});

describe('acting on many lines', () => {
  it('is one step, goes on when one is refused, and tells which', async () => {
    const { store, actions, ready } = desk({ 'A.md': '- [ ] a\n- [ ] b\n- plain', 'B.md': '- [ ] c' });
    await ready;
    const ref = (path: string, line: number, expected: string) => ({ path, line, expected });
    const result = await actions.actMany(
      [
        {
          ref: ref('A.md', 0, '- [ ] a'),
          intentions: [
            { do: 'set', clause: 'due fri' },
            { do: 'tag', name: '#x' },
          ],
        },
        { ref: ref('A.md', 1, '- [ ] other'), intentions: [{ do: 'tag', name: '#x' }] },
        { ref: ref('A.md', 2, '- plain'), intentions: [{ do: 'tag', name: '#x' }] },
        { ref: ref('B.md', 0, '- [ ] c'), intentions: [{ do: 'tag', name: '#x' }] },
      ],
      'Many',
    );
    expect(result).toMatchObject({ changed: 2, notes: 2, raws: ['- [ ] a #x {due 2026-11-27}', null, null, '- [ ] c #x'] });
    expect('stayed' in result && result.stayed.map((one) => one.ref.line)).toEqual([2, 1]);
    expect(await texts(store)).toEqual({ 'A.md': '- [ ] a #x {due 2026-11-27}\n- [ ] b\n- plain', 'B.md': '- [ ] c #x' });
    expect(await store.steps.undo()).toEqual({ undone: 'Many' });
    expect(await texts(store)).toEqual({ 'A.md': '- [ ] a\n- [ ] b\n- plain', 'B.md': '- [ ] c' });
  });

  it('moves and deletes lines of one note together, and can be stopped between portions', async () => {
    const lines = Array.from({ length: 100 }, (_, index) => `- [ ] t${index}`);
    const { store, actions, ready } = desk({ 'A.md': lines.join('\n'), 'B.md': '## H\n' });
    await ready;
    const refs = lines.map((expected, line) => ({ path: 'A.md', line, expected }));
    await actions.actMany(
      refs.slice(0, 3).map((ref) => ({ ref, intentions: [{ do: 'move', to: 'B#H' }] })),
      'Move',
    );
    expect(await store.text('B.md')).toBe('## H\n- [ ] t0\n- [ ] t1\n- [ ] t2\n');
    const told: number[] = [];
    const result = await actions.actMany(
      refs.slice(3).map((ref) => ({ ref, intentions: [{ do: 'delete' }] })),
      'Delete',
      async (done) => told.push(done) === 2,
    );
    expect(told).toEqual([40, 80]);
    expect(result).toMatchObject({ changed: 80, notes: 1 });
    expect((await store.text('A.md'))?.split('\n')).toHaveLength(17);
  });

  it('puts another text into a gather of a note', async () => {
    const { store, actions, ready } = desk({ 'A.md': 'a\n```gather\nopen\n```\n' });
    await ready;
    expect(await actions.editGather('A.md', 'open', 'late')).toMatchObject({ done: true });
    expect(await store.text('A.md')).toBe('a\n```gather\nlate\n```\n');
    expect(await actions.editGather('A.md', 'open', 'late')).toHaveProperty('refused');
    await store.steps.undo();
    expect(await store.text('A.md')).toContain('open');
  });
});

describe('renaming everywhere', () => {
  it('renames a folder with its notes, links and gathers, after saying how much, in one step', async () => {
    const { store, actions, ready } = desk({
      'Shows/A.md': 'a',
      'Shows/Old/B.md': '[[Shows/A]]',
      'C.md': '```gather\npath in "Shows"\n```',
    });
    await ready;
    const told: number[][] = [];
    const renaming = { is: 'folder', before: 'Shows', after: 'Exhibitions' } as const;
    expect(await actions.renameEverywhere(renaming, (...counts) => told.push(counts) === 2)).toEqual({ refused: '' });
    expect(await actions.renameEverywhere(renaming, (...counts) => told.push(counts) === 2)).toMatchObject({ places: 4, notes: 3 });
    expect(told).toEqual([
      [4, 3],
      [4, 3],
    ]);
    expect(await texts(store)).toEqual({
      'C.md': '```gather\npath in "Exhibitions"\n```',
      'Exhibitions/A.md': 'a',
      'Exhibitions/Old/B.md': '[[Exhibitions/A]]',
    });
    await store.steps.undo();
    expect(Object.keys(await texts(store)).sort()).toEqual(['C.md', 'Shows/A.md', 'Shows/Old/B.md']);
  });

  it('renames a tag in every note, and refuses what is nowhere or would clash', async () => {
    const { store, actions, ready } = desk({ 'A.md': '- [ ] a #x', 'F/A.md': '', 'G/A.md': '' });
    await ready;
    expect(await actions.renameEverywhere({ is: 'name', before: '#x', after: '#y' }, () => true)).toMatchObject({ places: 1, notes: 1 });
    expect(await store.text('A.md')).toBe('- [ ] a #y');
    expect(await actions.renameEverywhere({ is: 'name', before: '#x', after: '#y' }, () => true)).toHaveProperty('refused');
    expect(await actions.renameEverywhere({ is: 'folder', before: 'F', after: 'G' }, () => true)).toEqual({
      refused: 'There is a note G/A.md already, so nothing was changed.',
    });
  });
});
