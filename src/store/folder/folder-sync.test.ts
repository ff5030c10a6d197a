import { command } from '../notes/origin';
import { desk, text, texts } from '../test-desk';
import { FolderSync } from './folder-sync';
import { InSteps } from './in-step';
import { MemoryFolder } from './memory-folder';
import { isQuiet } from './sync-report';

/** A desk whose notes are kept in step with a folder. */
async function joined(folder: MemoryFolder, notes: Record<string, string> = {}) {
  const { store, actions, db, ready } = desk(notes);
  await ready;
  const sync = new FolderSync(store, folder, await InSteps.load(db));
  store.listen({ changed: (changes) => changes.forEach(({ path }) => sync.touched(path)) });
  return { store, actions, db, sync };
}

describe('a folder that is kept in step', () => {
  it('gets the notes, and gives its files; the next look does nothing and reads nothing', async () => {
    const folder = new MemoryFolder();
    folder.put('Projects/Storage.md', '- [ ] a\r\n');
    const { store, sync } = await joined(folder, { 'Crates.md': 'Six' });
    const report = await sync.pass();
    expect([report.cameIn, report.wentOut]).toEqual([['Projects/Storage.md'], ['Crates.md']]);
    expect(folder.text('Crates.md')).toBe('Six');
    expect(await store.text('Projects/Storage.md')).toBe('- [ ] a\r\n');
    folder.reads.length = 0;
    expect(isQuiet(await sync.pass())).toBe(true);
    expect(folder.reads).toEqual([]);
  });

  it('a change on one side goes over, and only what changed is read', async () => {
    const folder = new MemoryFolder();
    const { store, actions, sync } = await joined(folder, { 'A.md': 'a', 'B.md': 'b' });
    await sync.pass();
    folder.put('A.md', 'a there');
    await actions.replace('B.md', 'b here', 'Changed');
    folder.reads.length = 0;
    await sync.pass();
    expect(folder.reads).toEqual(['A.md']);
    expect([await store.text('A.md'), folder.text('B.md')]).toEqual(['a there', 'b here']);
    // What the note held before is among its earlier texts.
    expect((await store.earlier.of('A.md')).map(({ by }) => by)).toEqual(['folder']);
  });

  it('both changed in different lines: both stand; in the same line: the file’s text stands beside', async () => {
    const folder = new MemoryFolder();
    const { store, actions, sync } = await joined(folder, { 'A.md': 'one\n\ntwo\n', 'B.md': 'x' });
    await sync.pass();
    folder.put('A.md', 'one there\n\ntwo\n');
    await actions.replace('A.md', 'one\n\ntwo here\n', 'Changed');
    folder.put('B.md', 'x there');
    await actions.replace('B.md', 'x here', 'Changed');
    const report = await sync.pass();
    expect(report.merged).toEqual(['A.md']);
    expect(report.beside).toEqual([{ path: 'B.md', other: 'B (other text).md' }]);
    await sync.pass();
    const all = { 'A.md': 'one there\n\ntwo here\n', 'B.md': 'x here', 'B (other text).md': 'x there' };
    expect(await texts(store)).toEqual(all);
    expect(Object.fromEntries([...folder.files.keys()].map((path) => [path, folder.text(path)]))).toEqual(all);
  });

  it('another program that wrote right after us without having seen it takes nothing away; one that had seen it does', async () => {
    const folder = new MemoryFolder();
    folder.unseenFor = 1;
    const { store, actions, sync } = await joined(folder, { 'A.md': 'one\n\ntwo\n', 'B.md': 'x' });
    const change = async (path: string, to: string): Promise<void> => {
      await actions.replace(path, to, 'Changed');
      await sync.pass();
    };
    await sync.pass();
    await change('A.md', 'one here\n\ntwo\n');
    folder.put('A.md', 'one\n\ntwo there\n');
    expect((await sync.pass()).merged).toEqual(['A.md']);
    expect([await store.text('A.md'), folder.text('A.md')]).toEqual(['one here\n\ntwo there\n', 'one here\n\ntwo there\n']);
    // In one line both stand, beside each other.
    await change('B.md', 'x here');
    folder.put('B.md', 'x there');
    await sync.pass();
    expect(await store.text('B (other text).md')).toBe('x there');
    expect([await store.text('B.md'), folder.text('B.md')]).toEqual(['x here', 'x here']);
    // Later it had time to see what we wrote, and means what it wrote.
    await change('A.md', 'one here, too\n\ntwo there\n');
    folder.put('C.md', 'c');
    folder.put('A.md', 'one here\n\ntwo there\n');
    await sync.pass();
    expect(await store.text('A.md')).toBe('one here\n\ntwo there\n');
  });

  it('however often both change one line, there is one other text beside, and none beside that', async () => {
    const folder = new MemoryFolder();
    const { store, actions, sync } = await joined(folder, { 'A.md': 'x' });
    await sync.pass();
    for (const round of ['one', 'ones', 'three']) {
      folder.put('A.md', `there ${round}`);
      await actions.replace('A.md', `here ${round}`, 'Changed');
      // And in the other text itself.
      if (round === 'three') {
        folder.put('A (other text).md', `${folder.text('A (other text).md')}\nsaid there`);
        await actions.replace('A (other text).md', `${await store.text('A (other text).md')}\nsaid here`, 'Changed');
      }
      // The other text may change while it is written into; what was not done then is done at the next look.
      for (let look = 0; look < 3; look++) await sync.pass();
    }
    expect(Object.keys(await texts(store))).toEqual(['A (other text).md', 'A.md']);
    const other = (await store.text('A (other text).md')) ?? '';
    for (const words of ['there one\n', 'there ones', 'there three', 'said there', 'said here']) expect(other).toContain(words);
    expect([await store.text('A.md'), folder.text('A.md'), folder.text('A (other text).md')]).toEqual(['here three', 'here three', other]);
  });

  it('an empty file that was begun and never written gets what the note says, and nothing stands beside it', async () => {
    const folder = new MemoryFolder();
    const { store, sync } = await joined(folder, { 'A.md': 'a' });
    folder.put('A.md', '');
    await sync.pass();
    expect([await texts(store), folder.text('A.md')]).toEqual([{ 'A.md': 'a' }, 'a']);
  });

  it('what is removed on one side goes; removed on one and changed on the other it stays', async () => {
    const folder = new MemoryFolder();
    const { store, actions, sync } = await joined(folder, { 'A.md': 'a', 'B.md': 'b', 'C.md': 'c', 'D.md': 'd' });
    await sync.pass();
    folder.files.delete('A.md');
    await actions.remove(['B.md'], 'Deleted');
    folder.files.delete('C.md');
    await actions.replace('C.md', 'c here', 'Changed');
    await actions.remove(['D.md'], 'Deleted');
    folder.put('D.md', 'd there');
    const report = await sync.pass();
    expect(report.stayed.sort()).toEqual(['C.md', 'D.md']);
    expect(await texts(store)).toEqual({ 'C.md': 'c here', 'D.md': 'd there' });
    expect([...folder.files.keys()].sort()).toEqual(['C.md', 'D.md']);
    expect((await store.earlier.gone()).map(({ path }) => path)).toContain('A.md');
  });

  it('a file that is renamed moves its note, which keeps its id and what was changed in it', async () => {
    const folder = new MemoryFolder();
    const { store, actions, sync } = await joined(folder, { 'A.md': 'a text of its own', 'B.md': 'b' });
    await sync.pass();
    const { id } = (await store.get('A.md')) as { id: string };
    folder.rename('A.md', 'Old/A.md');
    await actions.replace('A.md', 'a text of its own, changed', 'Changed');
    await sync.pass();
    await sync.pass();
    expect((await store.get('Old/A.md'))?.id).toBe(id);
    expect(await store.text('A.md')).toBeNull();
    expect(folder.text('Old/A.md')).toBe('a text of its own, changed');
    // And a note that is renamed moves its file.
    await actions.rename('B.md', 'Boxes');
    await sync.pass();
    expect([...folder.files.keys()].sort()).toEqual(['Boxes.md', 'Old/A.md']);
  });

  it('asks before many notes go, for the disk may only be away', async () => {
    const folder = new MemoryFolder();
    const many = Object.fromEntries(Array.from({ length: 20 }, (_, index) => [`N${index}.md`, `text ${index}`]));
    const { store, sync } = await joined(folder, many);
    await sync.pass();
    folder.files.clear();
    const report = await sync.pass();
    expect(report.asks).toBe(20);
    expect((await store.all()).length).toBe(20);
    folder.away = true;
    await expect(sync.pass()).rejects.toThrow('away');
    folder.away = false;
    await sync.pass(true);
    expect(await store.all()).toEqual([]);
    expect(await store.earlier.gone()).toHaveLength(20);
  });

  it('two names that differ by case are one note: the other is told; a name in another Unicode form is the same', async () => {
    const folder = new MemoryFolder();
    folder.put('Crate.md', 'one');
    folder.put('crate.md', 'two');
    folder.put('E\u0301te\u0301.md', 'summer');
    const { store, actions, sync } = await joined(folder);
    const report = await sync.pass();
    expect(report.ignored.map(({ path }) => path)).toEqual(['crate.md']);
    expect(await texts(store)).toEqual({ 'Crate.md': 'one', '\u00c9t\u00e9.md': 'summer' });
    await actions.replace('\u00c9t\u00e9.md', 'summer here', 'Changed');
    await sync.pass();
    // The file keeps its name.
    expect(folder.text('E\u0301te\u0301.md')).toBe('summer here');
    expect(folder.files.size).toBe(3);
  });

  it('what cannot be written is told and tried again; bytes that are no text stay what they are', async () => {
    const folder = new MemoryFolder();
    folder.files.set('Photo.md', { bytes: new Uint8Array([255, 0, 254]), modified: 0 });
    const { store, sync } = await joined(folder, { 'What?.md': 'a question', 'Plain.md': 'p' });
    folder.refuses = (path) => (path.includes('?') ? new TypeError('Name is not allowed.') : null);
    const report = await sync.pass();
    expect(report.failed).toEqual([{ path: 'What?.md', why: 'The disk takes no such name.' }]);
    expect((await store.get('Photo.md'))?.bytes).toEqual(new Uint8Array([255, 0, 254]));
    folder.refuses = null;
    await sync.pass();
    expect(folder.text('What?.md')).toBe('a question');
  });

  it('goes on where it was after a restart, and after a step that was only half done', async () => {
    const folder = new MemoryFolder();
    const { store, db, sync } = await joined(folder, { 'A.md': 'a' });
    await sync.pass();
    // Stored on both sides, but not said to be in step: the page was closed in between.
    await store.commit(command('Changed'), [{ path: 'A.md', expect: text('a'), content: text('b') }]);
    folder.put('A.md', 'b');
    const again = new FolderSync(store, folder, await InSteps.load(db));
    expect(isQuiet(await again.pass())).toBe(true);
    await store.commit(command('Changed'), [{ path: 'A.md', expect: text('b'), content: text('c') }]);
    const third = new FolderSync(store, folder, await InSteps.load(db));
    await third.pass();
    expect(folder.text('A.md')).toBe('c');
  });

  it('a name that no note can have is told and left alone; one that only changes its capital letters stays one file', async () => {
    const folder = new MemoryFolder();
    folder.put(' edge.md', 'x');
    folder.put('Crate.md', 'c');
    const { store, actions, sync } = await joined(folder);
    const report = await sync.pass();
    expect(report.ignored).toEqual([{ path: ' edge.md', why: 'No note can have this name.' }]);
    folder.rename('Crate.md', 'crate.md');
    await sync.pass();
    await actions.replace('Crate.md', 'c here', 'Changed');
    await sync.pass();
    expect([...folder.files.keys()].sort()).toEqual([' edge.md', 'crate.md']);
    expect(folder.text('crate.md')).toBe('c here');
    expect((await store.all()).length).toBe(1);
  });

  it('what is known of a file but not what it held harms nothing', async () => {
    const folder = new MemoryFolder();
    const { store, actions, db, sync } = await joined(folder, { 'A.md': 'a', 'B.md': 'b' });
    await sync.pass();
    await db.inStepContents.clear();
    await actions.replace('A.md', 'a here', 'Changed');
    await sync.pass();
    expect(await texts(store)).toEqual({ 'A.md': 'a here', 'B.md': 'b' });
    expect([folder.text('A.md'), folder.text('B.md')]).toEqual(['a here', 'b']);
  });

  it('a store that refuses to write loses no change: all is compared the next time', async () => {
    const folder = new MemoryFolder();
    const { store, actions, sync } = await joined(folder, { 'A.md': 'a' });
    await sync.pass();
    await actions.replace('A.md', 'a here', 'Changed');
    folder.put('B.md', 'from there');
    const commit = jest.spyOn(store, 'commit').mockRejectedValueOnce(new DOMException('', 'QuotaExceededError'));
    folder.refuses = () => new DOMException('', 'QuotaExceededError');
    await expect(sync.pass()).rejects.toThrow();
    commit.mockRestore();
    folder.refuses = null;
    await sync.glance();
    expect([folder.text('A.md'), await store.text('B.md')]).toEqual(['a here', 'from there']);
  });
});
