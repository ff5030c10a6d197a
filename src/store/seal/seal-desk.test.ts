import { readFrontMatter } from '../../core/note/facts/front-matter';
import { splitLines } from '../../core/note/blocks/lines';
import { command, TYPING } from '../notes/origin';
import { tabOn, tabs, texts } from '../test-desk';
import { BrokenKeyError, WrongPassphraseError } from './passphrase';
import { allThatIsKept, sealedDesk, sealsOf, until } from './test-seals';

const words = (text: string) => ({ text });
const neverSeal = (): never => {
  throw new Error('the seal is gone');
};

describe('a sealed note', () => {
  it('lies in the store as a file of the age format alone, its title hidden, with all that was kept of it', async () => {
    const { store, seals, seal, storage } = await sealedDesk({
      'Private/Garden.md': 'violet seeds',
      'Loans.md': 'the barometer, see [[Garden]]',
    });
    await store.commit(command('Done: violet seeds'), [
      { path: 'Private/Garden.md', expect: words('violet seeds'), content: words('violet seeds\n- [ ] water the quince') },
    ]);
    expect(await allThatIsKept(store)).toContain('violet');
    const done = await seals.seal(seal, ['Private/Garden.md']);
    expect(done.earlier).toBeGreaterThan(0);
    expect(done.steps).toBe(1);
    const [{ to } = { to: '' }] = done.moved;
    expect(to).toMatch(/^Private\/sealed-[a-z2-7]{16}\.md\.age$/);
    const kept = await allThatIsKept(store, storage);
    for (const word of ['violet', 'quince', 'garden.md', 'Garden.md']) expect(kept).not.toContain(word);
    // It is called as it was, and reads as before.
    const text = (await store.text(to)) ?? '';
    expect(readFrontMatter(splitLines(text)).title).toBe('Garden');
    expect(text).toContain('- [ ] water the quince');
    expect((await store.kept.get(to))?.text).toBeNull();
  });

  it('is written and undone as any other while it is open, and can be read by nobody when it is closed', async () => {
    const tab = await sealedDesk({ 'Diary.md': 'first' }, 'shown');
    const { store, seals, seal, storage, edit } = tab;
    await seals.seal(seal, ['Diary.md']);
    const editor = await edit('Diary.md.age');
    expect(editor.surface.text()).toBe('first');
    editor.type(' plover');
    // No draft is kept, so that leaving asks until it is stored.
    expect(tab.openTexts.wouldLose).toBe(true);
    await until(() => editor.text.state === 'still', 'the key is stored');
    expect(tab.openTexts.wouldLose).toBe(false);
    await editor.leave();
    expect(await store.text('Diary.md.age')).toBe('first plover');
    expect(await allThatIsKept(store, storage)).not.toContain('plover');
    expect(await store.steps.undo()).toEqual({ undone: 'Typing in a sealed note' });
    expect(await store.text('Diary.md.age')).toBe('first');
    expect(await store.steps.redo()).toEqual({ redone: 'Typing in a sealed note' });
    await seals.close();
    expect(await store.text('Diary.md.age')).toBeNull();
    expect(seals.present()).toMatchObject({ notes: 1, closed: 1 });
    expect(await store.steps.undo()).toMatchObject({ refused: expect.stringContaining('closed') as string });
    await expect(seals.open(seal, 'salt and elm')).rejects.toThrow(WrongPassphraseError);
    expect(await store.text('Diary.md.age')).toBeNull();
    expect(await seals.open(seal, 'salt and oak')).toBe(1);
    expect(await store.text('Diary.md.age')).toBe('first plover');
    const [earlier] = await store.earlier.of('Diary.md.age');
    expect(await store.earlierContent(earlier?.id ?? 0, 'Diary.md.age')).toEqual(words('first'));
    expect(tab.problems).toEqual([]);
  });

  it('tells its words while it is open, and that they are gone when it is closed', async () => {
    const { store, seals, seal } = await sealedDesk({ 'Diary.md': 'first' }, 'shown');
    await seals.seal(seal, ['Diary.md']);
    const told: unknown[] = [];
    store.listen({
      changed: (changes) =>
        told.push(...changes.map(({ path, content }) => [path, content && 'text' in content ? content.text : 'closed'])),
    });
    await seals.close();
    await seals.open(seal, 'salt and oak');
    await store.commit(TYPING, [{ path: 'Diary.md.age', expect: words('first'), content: words('second') }]);
    expect(told).toEqual([
      ['Diary.md.age', 'closed'],
      ['Diary.md.age', 'first'],
      ['Diary.md.age', 'second'],
    ]);
    // Another who saw something else is told so.
    expect(await store.commit(TYPING, [{ path: 'Diary.md.age', expect: words('first'), content: words('third') }])).toMatchObject({
      saved: false,
    });
  });

  it('never goes where it can be read but by being unsealed', async () => {
    const { store, seals, seal } = await sealedDesk({ 'Diary.md': 'plover' });
    const { moved } = await seals.seal(seal, ['Diary.md']);
    const path = moved[0]?.to ?? '';
    const text = (await store.text(path)) ?? '';
    const out = [
      { path, expect: words(text), content: null },
      { path: 'Diary.md', expect: null, content: words(text), movedFrom: path },
    ];
    await expect(store.commit(TYPING, out)).rejects.toThrow('out of its seal');
    store.opener = null;
    await expect(store.commit(TYPING, [{ path: 'B.md.age', expect: null, content: words('plover') }])).rejects.toThrow();
    store.opener = seals;
    expect(await seals.unseal([path])).toEqual([{ from: path, to: 'Diary.md' }]);
    expect(await store.text('Diary.md')).toBe(text);
    expect(seals.present().notes).toBe(0);
  });

  it('keeps its title and its seal under another name', async () => {
    const { store, seals, seal, actions } = await sealedDesk({ 'Diary.md': 'plover' }, 'shown');
    await seals.seal(seal, ['Diary.md']);
    expect(await actions.rename('Diary.md.age', 'Log')).toMatchObject({ path: 'Log.md.age' });
    expect(await actions.move('Log.md.age', 'Deep')).toMatchObject({ path: 'Deep/Log.md.age' });
    expect(await store.text('Deep/Log.md.age')).toBe('plover');
  });

  it('cut short or changed is told, and never half shown', async () => {
    const { store, seals, seal } = await sealedDesk({ 'Diary.md': 'plover '.repeat(9000) }, 'shown');
    await seals.seal(seal, ['Diary.md']);
    const lying = await store.kept.get('Diary.md.age');
    const bytes = lying?.bytes ?? new Uint8Array();
    for (const spoilt of [
      bytes.subarray(0, bytes.length - 20),
      bytes.subarray(0, 150),
      bytes.map((byte, at) => (at === bytes.length - 9 ? byte ^ 1 : byte)),
    ]) {
      const present = await store.kept.get('Diary.md.age');
      await store.commitKept(TYPING, [
        { path: 'Diary.md.age', expect: { bytes: present?.bytes ?? bytes }, content: { bytes: spoilt.slice() } },
      ]);
      expect(await store.text('Diary.md.age')).toBeNull();
      expect(seals.damage('Diary.md.age')).toContain('cut short or changed');
    }
  });

  it('sealed once more keeps each earlier text that it had, also those that were sealed before', async () => {
    const { store, seals, seal } = await sealedDesk({ 'Diary.md': 'first' }, 'shown');
    const write = (path: string, before: string, after: string) =>
      store.commit(command('Changed'), [{ path, expect: words(before), content: words(after) }]);
    await write('Diary.md', 'first', 'second');
    await seals.seal(seal, ['Diary.md']);
    await write('Diary.md.age', 'second', 'third');
    await seals.unseal(['Diary.md.age']);
    await write('Diary.md', 'third', 'fourth');
    await seals.seal(seal, ['Diary.md']);
    const kept = await Promise.all((await store.earlier.of('Diary.md.age')).map(({ id }) => store.earlierContent(id, 'Diary.md.age')));
    const texts = kept.map((content) => (content && 'text' in content ? content.text : 'closed'));
    for (const text of ['first', 'second', 'third']) expect(texts).toContain(text);
    expect(texts).not.toContain('closed');
    expect(await allThatIsKept(store)).not.toMatch(/"(?:first|second|third|fourth)"/);
  });

  it('that is only typed in tells nobody of seals: who follows them is not held up at each key', async () => {
    const { store, seals, seal } = await sealedDesk({ 'Diary.md': 'first' }, 'shown');
    await seals.seal(seal, ['Diary.md']);
    await seals.look();
    const before = seals.present();
    const told: number[] = [];
    seals.listen(() => told.push(1));
    const looked = jest.spyOn(seals, 'look');
    await store.commit(TYPING, [{ path: 'Diary.md.age', expect: words('first'), content: words('first one') }]);
    expect(looked).not.toHaveBeenCalled();
    await seals.look();
    expect(told).toEqual([]);
    expect(seals.present()).toBe(before);
    await seals.close();
    expect(told.length).toBeGreaterThan(0);
  });
});

describe('a seal', () => {
  it('seals what comes into its folders, from wherever it comes, and new notes at once', async () => {
    const { store, seals, actions } = await sealedDesk({ 'Private/Garden.md': 'violet' }, 'shown', ['Private']);
    await store.commit(TYPING, [{ path: 'Private/Late.md', expect: null, content: words('came by a folder') }]);
    await until(
      async () =>
        Object.keys(await texts(store))
          .filter((path) => path.startsWith('Private/'))
          .every((path) => path.endsWith('.age')),
      'all is sealed',
    );
    expect(await actions.create('Private', 'New', '')).toMatchObject({ path: 'Private/New.md.age' });
    await seals.close();
    expect(await actions.create('Private', 'Newer', '')).toMatchObject({ refused: expect.stringContaining('closed') as string });
  });

  it('that seals a folder as a whole gives nothing out that it would seal again', async () => {
    const { store, seals, actions } = await sealedDesk({ 'Private/Garden.md': 'violet' }, 'shown', ['Private']);
    await seals.changeFolders((await seals.all())[0] ?? neverSeal(), ['Private']);
    expect(await store.text('Private/Garden.md.age')).toBe('violet');
    await expect(seals.unseal(['Private/Garden.md.age'])).rejects.toThrow('sealed as a whole');
    await actions.move('Private/Garden.md.age', 'Open');
    expect(await seals.unseal(['Open/Garden.md.age'])).toEqual([{ from: 'Open/Garden.md.age', to: 'Open/Garden.md' }]);
    expect(await store.text('Open/Garden.md')).toBe('violet');
  });

  it('keeps what its note said before while only its folders change', async () => {
    const { store, seals, seal } = await sealedDesk({});
    await seals.changeFolders(seal, ['Private']);
    expect((await store.earlier.of(seal.path)).length).toBeGreaterThan(0);
  });

  it('is never sealed itself, whatever folder is', async () => {
    const { store, seals, seal } = await sealedDesk({});
    await seals.changeFolders(seal, ['Seals', 'Private']);
    expect((await seals.seal(seal, [seal.path])).moved).toEqual([]);
    expect(await store.text(seal.path)).toContain('AGE ENCRYPTED FILE');
    expect(await seals.placed('Seals/Another.md')).toBe('Seals/Another.md');
  });

  it('gets another passphrase, also where the old one was forgotten and it is open; nothing of the old key is kept', async () => {
    const { store, seals, seal } = await sealedDesk({});
    await seals.changePassphrase(seal, 'salt and oak', 'tar and rope');
    const [second] = await seals.all();
    if (!second) throw new Error('the seal is gone');
    expect(second.key).not.toBe(seal.key);
    expect(await allThatIsKept(store)).not.toContain(seal.key.split('\n')[3]);
    await seals.changePassphrase(second, null, 'ash and tallow');
    await seals.close();
    const [third] = await seals.all();
    if (!third) throw new Error('the seal is gone');
    await expect(seals.open(third, 'tar and rope')).rejects.toThrow(WrongPassphraseError);
    await seals.open(third, 'ash and tallow');
    // Closed, it takes the right one alone.
    await seals.close();
    await expect(seals.changePassphrase(third, 'no', 'yes')).rejects.toThrow(WrongPassphraseError);
  });

  it('whose key was changed, or names a stranger, opens nothing', async () => {
    const { seals, seal } = await sealedDesk({});
    await seals.close();
    await expect(seals.open({ ...seal, key: seal.key.replace(/\n.{20}/, '\nAAAA') }, 'salt and oak')).rejects.toThrow(BrokenKeyError);
    await expect(
      seals.open({ ...seal, to: 'age1qqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqqq' }, 'salt and oak'),
    ).rejects.toThrow(BrokenKeyError);
  });

  it('is open in one tab alone; what another types in a note while it is sealed is sealed beside it', async () => {
    const [a, b] = await tabs({ 'Diary.md': 'first' }, 'a', 'b');
    if (!a || !b) throw new Error('no tabs');
    const [here, there] = [sealsOf(a), sealsOf(b)];
    const seal = await here.make('Private', 'salt and oak', { titles: 'shown', folders: [] });
    const editor = await b.edit('Diary.md');
    editor.type(' plover');
    const sealing = here.seal(seal, ['Diary.md']);
    editor.type(' and curlew');
    await sealing;
    await until(() => editor.removed.length === 1 && !b.openTexts.wouldLose, 'the other tab lets go of it');
    const paths = Object.keys(await texts(a.store));
    const all = (await Promise.all(paths.map((path) => a.store.text(path)))).join('\n');
    expect(all).toContain('curlew');
    expect(await b.store.text('Diary.md.age')).toBeNull();
    expect(await allThatIsKept(a.store, b.storage)).not.toContain('curlew');
    await there.open(seal, 'salt and oak');
    expect(await b.store.text('Diary.md.age')).toContain('first');
    await here.closeEverywhere();
    await until(() => there.seals.openSeals().length === 0, 'it is closed everywhere');
  });

  it('opened again on another device reads what was sealed there', async () => {
    const { store, seals, seal, name } = await sealedDesk({ 'Private/Garden.md': 'violet' });
    await seals.seal(seal, ['Private/Garden.md']);
    await seals.close();
    const again = tabOn(name, 'later');
    const later = sealsOf(again);
    const [found] = await later.all();
    if (!found) throw new Error('the seal is gone');
    expect(await later.open(found, 'salt and oak')).toBe(1);
    expect(Object.values(await texts(again.store)).join('')).toContain('violet');
    expect(await store.kept.text('Private/Garden.md')).toBeNull();
  });
});
