import 'fake-indexeddb/auto';
import { draftText } from './drafts';
import { desk, text, texts, until } from '../test-desk';
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

  it('is made where it belongs, however early one types', async () => {
    const { store, apart, editing } = await written(null);
    editing.type('first');
    await editing.leave();
    expect(await texts(store)).toEqual({ [PATH]: 'first' });
    expect(apart).toEqual([]);
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
