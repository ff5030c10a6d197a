import 'fake-indexeddb/auto';
import { markOf } from '../notes/content';
import { draftText } from './drafts';
import { recoverDrafts } from './recover-drafts';
import { desk, madeUpTime, pass, tabs, text, texts, until } from '../test-desk';
import { TYPING } from '../notes/origin';

const PATH = 'Journal/2026-11-23.md';
const OTHER = 'Journal/2026-11-23 (other text).md';

async function written(first: string | null) {
  const here = desk(first === null ? {} : { [PATH]: first });
  await here.ready;
  return { ...here, editing: await here.edit(PATH) };
}

describe('a note that is written', () => {
  it('is saved when the hands rest, and not called saved before', async () => {
    const { store, states, editing } = await written('one\ntwo');
    editing.type('!', 0);
    editing.type('!', 0);
    expect(states.at(-1)).toEqual({ is: 'saving' });
    expect(await store.text(PATH)).toBe('one\ntwo');
    await until(async () => (await store.text(PATH)) === 'one!!\ntwo', 'saved');
    await until(() => states.at(-1)?.is === 'saved', 'called saved');
    await editing.leave();
  });

  it('is made by writing in it', async () => {
    const { store, editing } = await written(null);
    await editing.text.save();
    expect(await store.text(PATH)).toBeNull();
    editing.type('first');
    await editing.leave();
    expect(await store.text(PATH)).toBe('first');
  });

  it('keeps the line ends and the byte-order mark that the stored text has', async () => {
    const { store, editing } = await written('\ufeffone\r\ntwo\r\n');
    editing.type('!', 1);
    await editing.leave();
    expect(await store.text(PATH)).toBe('\ufeffone\r\ntwo!\r\n');
  });

  it('takes in what an action changes, beside words that are not saved yet', async () => {
    const { store, actions, editing } = await written('- [ ] one\nwords');
    editing.type(' more', 1);
    const ref = { path: PATH, line: 0, expected: '- [ ] one' };
    expect(await actions.act(ref, { do: 'status', status: 'done' }, 'Done')).toHaveProperty('done');
    expect(editing.surface.text()).toMatch(/^- \[x\] one \{done 2026-11-23 09:14\}\nwords more$/);
    await editing.text.save();
    expect(await store.text(PATH)).toBe(editing.surface.text());
  });

  it('that was deleted does not come back by the last saving', async () => {
    const { store, editing } = await written('one');
    await store.commit(TYPING, [{ path: PATH, expect: text('one'), content: null }]);
    await until(() => editing.removed.length > 0, 'told');
    await editing.leave();
    expect(await store.text(PATH)).toBeNull();
  });

  it('that was deleted while words were not saved leaves them in a second text', async () => {
    const { store, apart, editing } = await written('one');
    editing.type(' and more');
    await store.commit(TYPING, [{ path: PATH, expect: text('one'), content: null }]);
    await editing.leave();
    expect(await texts(store)).toEqual({ [OTHER]: 'one and more' });
    expect(apart).toEqual([{ why: 'deleted', of: PATH, path: OTHER }]);
  });

  it('that was deleted goes into the other text that is there, which keeps its own words', async () => {
    const { store, editing } = await written('one');
    await store.commit(TYPING, [{ path: OTHER, expect: null, content: text('one of theirs') }]);
    editing.type(' and more');
    await store.commit(TYPING, [{ path: PATH, expect: text('one'), content: null }]);
    await editing.text.save();
    expect(editing.surface.text()).toBe('one of theirs\none and more');
    editing.type('.');
    await editing.leave();
    expect(await texts(store)).toEqual({ [OTHER]: 'one of theirs\none and more.' });
  });

  it('that was moved is followed with the words that are not saved', async () => {
    const { store, actions, editing } = await written('one');
    editing.type(' and');
    const moved = await actions.move(PATH, 'Old');
    expect(moved).toMatchObject({ path: 'Old/2026-11-23.md' });
    editing.type(' more');
    await editing.leave();
    expect(await texts(store)).toEqual({ 'Old/2026-11-23.md': 'one and more' });
  });

  it('that was renamed while its save was on its way is not forked', async () => {
    const { store, actions, editing } = await written('one');
    editing.type(' more');
    const saving = editing.text.save();
    await Promise.all([saving, actions.rename(PATH, 'Minutes')]);
    editing.type('.');
    await editing.leave();
    expect(await texts(store)).toEqual({ 'Journal/Minutes.md': 'one more.' });
  });
});

describe('a save that fails', () => {
  const full = Object.assign(new Error('aborted'), { name: 'AbortError', inner: { name: 'QuotaExceededError', message: '' } });

  it('says why, keeps the words when the note is left, and tries again', async () => {
    const { store, states, openTexts, editing } = await written('one');
    const failing = jest.spyOn(store, 'commit').mockRejectedValue(full);
    editing.type('!');
    await editing.leave();
    expect(states.at(-1)).toEqual({
      is: 'failed',
      texts: [{ path: PATH, reason: 'The disk is full, or the browser gives Recado no more room.' }],
    });
    expect(openTexts.textAt(PATH)).toBe('one!');
    failing.mockRestore();
    await until(async () => (await store.text(PATH)) === 'one!', 'tried again by itself');
    await until(() => states.at(-1)?.is === 'saved', 'called saved');
  });

  it('is there again when the note is opened again, and grows on', async () => {
    const here = await written('one');
    const failing = jest.spyOn(here.store, 'commit').mockRejectedValue(full);
    here.editing.type(' two');
    await here.editing.leave();
    const again = await here.edit(PATH);
    expect(again.surface.text()).toBe('one two');
    again.type(' three');
    failing.mockRestore();
    await again.leave();
    expect(await here.store.text(PATH)).toBe('one two three');
  });

  it('or is still on its way when the note is opened again: the new editor leaves a draft of just the rest', async () => {
    const here = await written('one');
    const commit = here.store.commit.bind(here.store);
    let letGo: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (letGo = resolve));
    const slow = jest.spyOn(here.store, 'commit').mockImplementation(async (origin, writes) => {
      await held;
      return commit(origin, writes);
    });
    here.editing.type(' two');
    void here.editing.leave();
    await until(() => slow.mock.calls.length > 0, 'on its way');
    const again = await here.edit(PATH);
    expect(again.surface.text()).toBe('one two');
    again.type(' three');
    slow.mockRestore();
    letGo();
    await until(() => here.drafts.left(() => false)[0]?.base === 'one two', 'a draft of the rest');
    const [draft] = here.drafts.left(() => false);
    expect(draft && draftText(draft.base ?? null, draft.changes)).toBe('one two three');
    await until(async () => (await here.store.text(PATH)) === 'one two three', 'stored');
    await until(() => here.states.at(-1)?.is === 'saved', 'called saved');
    expect(here.drafts.left(() => false)).toEqual([]);
    await again.leave();
  });

  it('of one note is not hidden by another that succeeds', async () => {
    const here = await written('one');
    const other = await here.edit('Crates.md');
    const commit = here.store.commit.bind(here.store);
    const failing = jest
      .spyOn(here.store, 'commit')
      .mockImplementation((origin, writes) => (writes[0]?.path === PATH ? Promise.reject(full) : commit(origin, writes)));
    here.editing.type('!');
    await here.editing.text.save();
    other.type('crate');
    await other.text.save();
    expect(here.states.at(-1)).toMatchObject({ is: 'failed', texts: [{ path: PATH }] });
    failing.mockRestore();
    await Promise.all([here.editing.leave(), other.leave()]);
    expect(here.states.at(-1)).toEqual({ is: 'saved' });
  });

  it('leaves a draft behind, which asks only when it could not be kept either', async () => {
    const here = await written('one');
    here.editing.type('!');
    expect(here.openTexts.wouldLose).toBe(false);
    here.storage.setItem = () => {
      throw new Error('QuotaExceededError');
    };
    here.editing.type('!');
    expect(here.openTexts.wouldLose).toBe(true);
    await here.editing.text.save();
    expect(here.openTexts.wouldLose).toBe(false);
  });
});

describe('two who write one note', () => {
  madeUpTime();
  const pause = () => pass(2300);

  it('on different lines come to one text with all that was typed in either', async () => {
    const [a, b] = await tabs({ [PATH]: 'one\ntwo\nthree\nfour' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const [here, there] = [await a.edit(PATH), await b.edit(PATH)];
    for (let round = 0; round < 6; round++) {
      here.type(String(round), 0);
      there.type(String(round), 3);
      await Promise.all([here.text.save(), there.text.save()]);
    }
    await until(() => here.surface.text() === there.surface.text(), 'equal editors');
    expect(here.surface.text()).toBe('one012345\ntwo\nthree\nfour012345');
    await Promise.all([here.leave(), there.leave()]);
    expect(await texts(a.store)).toEqual({ [PATH]: 'one012345\ntwo\nthree\nfour012345' });
  });

  it('in one line: the note keeps who was first, the other text has the other, and both editors come to be equal', async () => {
    const [a, b] = await tabs({ [PATH]: 'one\ntwo' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const [here, there] = [await a.edit(PATH), await b.edit(PATH)];
    const typed: string[] = [];
    for (let round = 0; round < 5; round++) {
      here.type(` a${round}.`, 0);
      there.type(` b${round}.`, 0);
      typed.push(`a${round}.`, `b${round}.`);
      await Promise.all([here.text.save(), there.text.save()]);
    }
    await pause();
    await until(() => here.surface.text() === there.surface.text(), 'equal editors');
    const all = await texts(a.store);
    expect(Object.keys(all).sort()).toEqual([OTHER, PATH].sort());
    const words = Object.values(all).join(' ');
    for (const word of typed) expect(words).toContain(word);
    expect(a.apart.length + b.apart.length).toBe(1);
  });

  it('three of them share one other text, and no word is lost', async () => {
    const all = await tabs({ [PATH]: 'one\ntwo' }, 'a', 'b', 'c');
    const editing = await Promise.all(all.map((tab) => tab.edit(PATH)));
    const typed: string[] = [];
    for (let round = 0; round < 8; round++) {
      for (const [index, one] of editing.entries()) {
        const word = ` ${'abc'[index]}${round}.`;
        one.type(word, round % 2);
        typed.push(word.trim());
        if ((round + index) % 3 === 0) await one.text.save();
      }
    }
    await Promise.all(editing.map((one) => one.text.save()));
    await pause();
    await until(() => new Set(editing.map((one) => one.surface.text())).size === 1, 'equal editors');
    const notes = await texts(all[0]!.store);
    expect(Object.keys(notes)).toHaveLength(2);
    const words = Object.values(notes).join(' ');
    expect(typed.filter((word) => !words.includes(word))).toEqual([]);
  });

  it('nobody’s text changes under the writing hands', async () => {
    const [a, b] = await tabs({ [PATH]: 'one' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const [here, there] = [await a.edit(PATH), await b.edit(PATH)];
    here.type(' mine', 0);
    there.type(' theirs', 0);
    await here.text.save();
    await there.text.save();
    expect(there.surface.text()).toBe('one theirs');
    there.type(', still', 0);
    await there.text.save();
    expect(there.surface.text()).toBe('one theirs, still');
    expect(await texts(a.store)).toEqual({ [PATH]: 'one mine', [OTHER]: 'one theirs, still' });
  });

  it('a note moved in one tab is followed by the other with its words', async () => {
    const [a, b] = await tabs({ [PATH]: 'one' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const there = await b.edit(PATH);
    there.type(' two');
    await a.actions.rename(PATH, 'Minutes');
    there.type(' three');
    await there.text.save();
    there.type(' four');
    await there.leave();
    expect(await texts(a.store)).toEqual({ 'Journal/Minutes.md': 'one two three four' });
  });

  it('a note deleted in one tab leaves the other’s words in a second text', async () => {
    const [a, b] = await tabs({ [PATH]: 'one' }, 'a', 'b');
    if (!a || !b) throw new Error('two tabs');
    const there = await b.edit(PATH);
    there.type(' two');
    await a.actions.remove([PATH], 'Deleted');
    await there.leave();
    expect(await texts(a.store)).toEqual({ [OTHER]: 'one two' });
  });
});

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

describe('what was typed, when the note is left', () => {
  it('is one step of Undo, apart from actions before and after it', async () => {
    const { store, actions, editing } = await written('- [ ] one\nwords');
    editing.type(' two', 1);
    await actions.act({ path: PATH, line: 0, expected: '- [ ] one' }, { do: 'raise' }, 'High: one');
    editing.type(' three', 1);
    editing.type(' four', 1);
    await editing.leave();
    expect(await store.text(PATH)).toBe('- [ ] one {high}\nwords two three four');
    const undone: (string | null)[] = [];
    for (let step = 0; step < 3; step++) {
      await store.steps.undo();
      undone.push(await store.text(PATH));
    }
    expect(undone).toEqual(['- [ ] one {high}\nwords two', '- [ ] one\nwords two', '- [ ] one\nwords']);
    expect(await store.steps.undo()).toBeNull();
  });

  it('and taken back by hand leaves no step', async () => {
    const { store, editing } = await written('words');
    editing.type(' two');
    await editing.text.settle();
    editing.surface.set('words');
    editing.text.typed();
    await editing.leave();
    expect(await store.db.steps.count()).toBe(0);
    expect(await store.steps.undo()).toBeNull();
  });

  it('leaves what others wrote meanwhile when it is taken back', async () => {
    const { store, editing } = await written('one\n\ntwo');
    editing.type(' mine', 0);
    await editing.text.save();
    await store.commit(TYPING, [{ path: PATH, expect: text('one mine\n\ntwo'), content: text('one mine\n\ntwo theirs') }]);
    await editing.leave();
    expect(await store.steps.undo()).toEqual({ undone: 'Typing in “2026-11-23”' });
    expect(await store.text(PATH)).toBe('one\n\ntwo theirs');
  });
});
