import 'fake-indexeddb/auto';
import type { ImportFile } from './import-file';
import { importNotes } from './import-notes';
import type { NoteStore } from '../note-store';
import { desk, text, texts } from '../../test-desk';
import { TYPING } from '../origin';

describe('import', () => {
  const bytes = (words: string): Uint8Array => new TextEncoder().encode(words);
  const run = (files: ImportFile[], store: NoteStore, signal = new AbortController().signal) =>
    importNotes(files, store, () => undefined, signal);

  it('takes in what it can, overwrites nothing, and reports the rest', async () => {
    const { store, ready } = desk({ 'A.md': 'here' });
    await ready;
    const report = await run(
      [
        { path: 'A.md', bytes: bytes('here') },
        { path: 'a.MD', bytes: bytes('other') },
        { path: 'x/../../y.md', bytes: bytes('out') },
        { path: 'B.md', bytes: new Uint8Array([255]) },
        { path: 'p.png', bytes: bytes('x') },
        { path: 'broken.md', bytes: null, problem: 'It is broken inside the archive.' },
        { path: '.hidden.md', bytes: bytes('x') },
      ],
      store,
    );
    expect(report).toMatchObject({ added: ['B.md'], beside: [{ from: 'a.MD', path: 'a 2.MD' }], same: ['A.md'], asBytes: ['B.md'] });
    expect(report.left.map((one) => one.path)).toEqual(['x/../../y.md', 'p.png', 'broken.md', '.hidden.md']);
    expect(await texts(store)).toEqual({ 'A.md': 'here', 'a 2.MD': 'other', 'B.md': null });
  });

  it('stops when asked, and keeps what came in', async () => {
    const { store, ready } = desk();
    await ready;
    const stop = new AbortController();
    function* files(): Generator<ImportFile> {
      yield { path: 'A.md', bytes: bytes('a') };
      stop.abort();
      yield { path: 'B.md', bytes: bytes('b') };
    }
    const report = await importNotes(files(), store, () => undefined, stop.signal);
    expect(report).toMatchObject({ stopped: true, added: ['A.md'] });
    expect(Object.keys(await texts(store))).toEqual(['A.md']);
  });

  it('is one step of Undo, which leaves what was there before and can be done again', async () => {
    const { store, ready } = desk({ 'A.md': 'here' });
    await ready;
    const files = Array.from({ length: 1200 }, (_, index) => ({ path: `F/note ${index}.md`, bytes: bytes(`words ${index}`) }));
    const report = await run(files, store);
    expect(report).toMatchObject({ failed: null, step: expect.any(Number) as number });
    expect(report.added).toHaveLength(1200);
    expect(await store.steps.undoStep(report.step ?? -1)).toEqual({ undone: 'Import of 1200 notes' });
    expect(await texts(store)).toEqual({ 'A.md': 'here' });
    expect(await store.steps.redo()).toEqual({ redone: 'Import of 1200 notes' });
    expect(await store.text('F/note 7.md')).toBe('words 7');
  });

  it('is taken back whole or not at all: a note that was changed since says so', async () => {
    const { store, ready } = desk();
    await ready;
    const { step } = await run(
      [
        { path: 'A.md', bytes: bytes('a') },
        { path: 'B.md', bytes: bytes('b') },
      ],
      store,
    );
    await store.commit(TYPING, [{ path: 'A.md', expect: text('a'), content: text('a, changed') }]);
    expect(await store.steps.undoStep(step ?? -1)).toEqual({
      refused: '“Import of 2 notes” cannot be undone: “A” was changed at the same place since.',
    });
    expect(await texts(store)).toEqual({ 'A.md': 'a, changed', 'B.md': 'b' });
  });

  it('that fails half-way reports what came in, and that can be taken back', async () => {
    const { store, ready } = desk();
    await ready;
    const commit = store.commit.bind(store);
    let commits = 0;
    const failing = jest.spyOn(store, 'commit').mockImplementation((origin, writes) => {
      if (++commits === 2) return Promise.reject(Object.assign(new Error('full'), { name: 'QuotaExceededError' }));
      return commit(origin, writes);
    });
    const files = Array.from({ length: 900 }, (_, index) => ({ path: `note ${index}.md`, bytes: bytes('x') }));
    const report = await run(files, store);
    failing.mockRestore();
    expect(report.added).toHaveLength(500);
    expect(report.failed).toContain('disk is full');
    expect(await store.steps.undoStep(report.step ?? -1)).toEqual({ undone: 'Import of 500 notes' });
    expect(await texts(store)).toEqual({});
  });

  it('gives way to what another tab writes meanwhile', async () => {
    const { store, ready } = desk();
    await ready;
    const commit = store.commit.bind(store);
    let first = true;
    const racing = jest.spyOn(store, 'commit').mockImplementation(async (origin, writes) => {
      if (first) {
        first = false;
        await commit(TYPING, [{ path: 'A.md', expect: null, content: text('theirs') }]);
      }
      return commit(origin, writes);
    });
    const report = await run([{ path: 'A.md', bytes: bytes('mine') }], store);
    racing.mockRestore();
    expect(report.beside).toEqual([{ from: 'A.md', path: 'A 2.md' }]);
    expect(await texts(store)).toEqual({ 'A.md': 'theirs', 'A 2.md': 'mine' });
  });
});
