import 'fake-indexeddb/auto';
import { markOf } from '../notes/content';
import { draftText } from './drafts';
import { recoverDrafts } from './recover-drafts';
import { desk, tabs, text, texts, until } from '../test-desk';
import { TYPING } from '../notes/origin';

const PATH = 'Journal/2026-11-23.md';

async function written(first: string) {
  const here = desk({ [PATH]: first });
  await here.ready;
  return { ...here, editing: await here.edit(PATH) };
}

describe('a draft', () => {
  it('holds at every moment what is typed and not durable, and nothing when all is', async () => {
    const here = await written('one\r\ntwo');
    here.editing.type(' more', 0);
    const [draft] = here.drafts.left(() => false);
    expect(draft && draftText(draft.base ?? null, draft.changes)).toBe('one more\r\ntwo');
    await here.editing.text.save();
    expect(here.drafts.left(() => false)).toEqual([]);
    await here.editing.leave();
  });

  it('holds what was typed while a save was on its way, also when the note is left then', async () => {
    const here = await written('one');
    here.editing.type(' two');
    const commit = here.store.commit.bind(here.store);
    let letGo: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (letGo = resolve));
    let first = true;
    const slow = jest.spyOn(here.store, 'commit').mockImplementation(async (origin, writes) => {
      const result = await commit(origin, writes);
      if (!first) return new Promise(() => undefined);
      first = false;
      await held;
      return result;
    });
    const saving = here.editing.text.save();
    await until(async () => (await here.store.text(PATH)) === 'one two', 'on its way');
    here.editing.type(' three');
    void here.editing.leave();
    letGo();
    await saving;
    await until(() => here.drafts.left(() => false)[0]?.base === 'one two', 'a draft of the rest');
    const [draft] = here.drafts.left(() => false);
    expect(draft && draftText(draft.base ?? null, draft.changes)).toBe('one two three');
    slow.mockRestore();
  });

  it('brings words back into their note, beside what was written since', async () => {
    const [a, b] = await tabs({ [PATH]: 'one\n\ntwo' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const editing = await a.edit(PATH);
    editing.type(' typed last', 0);
    await b.store.commit(TYPING, [{ path: PATH, expect: text('one\n\ntwo'), content: text('one\n\ntwo, elsewhere') }]);
    // The page of the first tab is gone; the other one starts.
    jest.spyOn(a.store, 'commit').mockReturnValue(new Promise(() => undefined));
    expect(await recoverDrafts(b.openTexts, (tab) => tab === 'b')).toEqual([{ path: PATH, is: 'merged' }]);
    expect(await b.store.text(PATH)).toBe('one typed last\n\ntwo, elsewhere');
    expect(await recoverDrafts(b.openTexts, (tab) => tab === 'b')).toEqual([]);
    expect(await b.store.steps.undo()).toEqual({ undone: 'Typing in “2026-11-23”' });
  });

  it('brings words back beside their note, where that was changed at the same place, deleted, or is long and changed', async () => {
    const here = desk({ 'A.md': 'one', 'B.md': 'one', 'C.md': 'x'.repeat(300_000) });
    await here.ready;
    const change = { from: 3, to: 3, insert: ' mine' };
    here.drafts.keep('A.md', 'one', [change]);
    here.drafts.keep('B.md', 'one', [change]);
    here.drafts.keep('C.md', 'y'.repeat(300_000), [change]);
    await here.store.commit(TYPING, [
      { path: 'A.md', expect: text('one'), content: text('one theirs') },
      { path: 'B.md', expect: text('one'), content: null },
    ]);
    await recoverDrafts(here.openTexts, () => false);
    const all = await texts(here.store);
    expect(all['A.md']).toBe('one theirs');
    expect(all['A (other text).md']).toBe('one mine');
    expect(all['B (other text).md']).toBe('one mine');
    expect(all['C (other text).md']).toBe(' mine');
  });

  it('of a long note is known by the mark of what it grew from', async () => {
    const long = 'x'.repeat(300_000);
    const here = desk({ 'A.md': long });
    await here.ready;
    here.drafts.keep('A.md', long, [{ from: 0, to: 0, insert: 'mine ' }]);
    expect(here.drafts.left(() => false)[0]).toMatchObject({ base: undefined, mark: markOf({ text: long }) });
    await recoverDrafts(here.openTexts, () => false);
    expect(await here.store.text('A.md')).toBe(`mine ${long}`);
  });

  it('of a tab that is open is left to it; one that is broken is left alone', async () => {
    const here = desk({ 'A.md': 'one' });
    await here.ready;
    here.drafts.keep('A.md', 'one', [{ from: 3, to: 3, insert: ' mine' }]);
    here.memory.set('recado draft gone b.md', '{"at":1,"changes":"none"}');
    expect(await recoverDrafts(here.openTexts, (tab) => tab === 'this')).toEqual([]);
    here.drafts.keep('A.md', 'one', [{ from: 30, to: 2, insert: ' mine' }]);
    await recoverDrafts(here.openTexts, () => false);
    expect((await texts(here.store))['A.md']).toBe('one');
  });

  it('that cannot be brought back now waits, is named, and is tried again', async () => {
    const here = desk({ 'A.md': 'one' });
    await here.ready;
    here.memory.set('recado base gone a.md', JSON.stringify({ path: 'A.md', text: 'one', mark: null }));
    here.memory.set('recado draft gone a.md', JSON.stringify({ at: 1, changes: [{ from: 3, to: 3, insert: ' mine' }] }));
    const failing = jest.spyOn(here.store, 'commit').mockRejectedValue(new Error('no'));
    expect(await recoverDrafts(here.openTexts, () => false)).toEqual([]);
    await until(() => here.states.at(-1)?.is === 'failed', 'named');
    expect(here.memory.keys('recado draft')).toHaveLength(1);
    failing.mockRestore();
    await here.openTexts.saveAll();
    expect(await here.store.text('A.md')).toBe('one mine');
    expect(here.memory.keys('recado draft')).toEqual([]);
  });
});
