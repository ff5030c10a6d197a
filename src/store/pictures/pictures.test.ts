import { FolderSync } from '../folder/folder-sync';
import { InSteps } from '../folder/in-step';
import { MemoryFolder } from '../folder/memory-folder';
import { importNotes } from '../notes/import/import-notes';
import { desk, tabOn, until } from '../test-desk';
import { allThatIsKept, sealedDesk } from '../seal/test-seals';
import { keptFiles } from './kept-files';
import { letUnshownGo, picturesSize } from './unshown';
import { addPicture, putPictures, shownPicture } from './picture-store';

const PNG = Uint8Array.from('\x89PNG\r\n\x1a\n\0\0\0\rIHDR a violet', (letter) => letter.charCodeAt(0));
const GIF = Uint8Array.from('GIF89a another', (letter) => letter.charCodeAt(0));

describe('a picture', () => {
  it('is kept beside the notes and shown where it is linked; an equal one is kept once, another beside it', async () => {
    const { store } = desk();
    expect(await addPicture(store, 'A/N.md', 'crate', 'image/png', PNG)).toBe('Pictures/crate.png');
    expect(await addPicture(store, 'N.md', 'crate', 'image/png', PNG)).toBe('Pictures/crate.png');
    expect(await addPicture(store, 'N.md', 'crate', 'image/png', GIF)).toBe('Pictures/crate 2.png');
    expect(await shownPicture(store, 'A/N.md', '../Pictures/crate.png')).toEqual({
      is: 'there',
      path: 'Pictures/crate.png',
      bytes: PNG,
      type: 'image/png',
    });
    // Its kind is what stands in it, whatever it is called.
    expect(await shownPicture(store, 'N.md', 'Pictures/crate%202.png')).toMatchObject({ is: 'there', type: 'image/gif' });
    expect(await shownPicture(store, 'N.md', 'Pictures/none.png')).toEqual({ is: 'gone' });
    expect(await shownPicture(store, 'N.md', 'https://example.org/a.png')).toEqual({ is: 'elsewhere' });
    await putPictures(store, [{ path: 'Pictures/bad.png', expect: null, bytes: Uint8Array.from([1, 2]) }]);
    expect(await shownPicture(store, 'N.md', 'Pictures/bad.png')).toEqual({ is: 'broken', path: 'Pictures/bad.png' });
    // Whoever saw another one changes nothing.
    expect(await putPictures(store, [{ path: 'Pictures/crate.png', expect: GIF, bytes: null }])).toBe(false);
  });

  it('is told to every tab', async () => {
    const { store, name } = desk();
    const other = tabOn(name, 'other');
    const heard: string[] = [];
    other.store.listen({ changed: (changes) => heard.push(...changes.map(({ path }) => path)) });
    await addPicture(store, 'N.md', 'crate', 'image/png', PNG);
    await until(() => heard.includes('Pictures/crate.png'), 'the other tab hears of it');
  });

  it('goes with the folder, both ways, and is removed and moved as a file', async () => {
    const folder = new MemoryFolder();
    const [one, two] = await Promise.all(
      [0, 1].map(async () => {
        const tab = desk();
        await tab.ready;
        const sync = new FolderSync(keptFiles(tab.store), folder, await InSteps.load(tab.db));
        tab.store.listen({ changed: (changes) => changes.forEach(({ path }) => sync.touched(path)) });
        return { ...tab, sync };
      }),
    );
    if (!one || !two) throw new Error('no desks');
    await addPicture(one.store, 'N.md', 'crate', 'image/png', PNG);
    expect((await one.sync.pass()).wentOut).toEqual(['Pictures/crate.png']);
    expect((await two.sync.pass()).cameIn).toEqual(['Pictures/crate.png']);
    expect(await shownPicture(two.store, 'N.md', 'Pictures/crate.png')).toMatchObject({ is: 'there', bytes: PNG });
    // What it grew from is kept in no second place.
    expect(await two.db.inStepContents.count()).toBe(0);
    folder.rename('Pictures/crate.png', 'Pictures/box.png');
    await two.sync.pass();
    expect(await two.db.pictures.toCollection().primaryKeys()).toEqual(['pictures/box.png']);
    await putPictures(two.store, [{ path: 'Pictures/box.png', expect: PNG, bytes: null }]);
    await two.sync.pass();
    expect([...folder.files.keys()]).toEqual([]);
    // Both give one name to two pictures: both stay.
    await one.sync.pass();
    await addPicture(one.store, 'N.md', 'crate', 'image/png', PNG);
    await addPicture(two.store, 'N.md', 'crate', 'image/png', GIF);
    for (const { sync } of [one, two, one, two, one]) await sync.pass();
    for (const { db } of [one, two])
      expect(await db.pictures.toCollection().primaryKeys()).toEqual(['pictures/crate (other text).png', 'pictures/crate.png']);
  });

  it('comes in with notes; what only claims to be one stays out', async () => {
    const { store } = desk();
    const files = [
      { path: 'A/N.md', bytes: new TextEncoder().encode('![](../Pictures/crate.png)') },
      { path: 'Pictures/crate.png', bytes: PNG },
      { path: 'Pictures/false.png', bytes: new TextEncoder().encode('<html>') },
      { path: '../Pictures/out.png', bytes: PNG },
    ];
    const report = await importNotes(files, store, () => undefined, new AbortController().signal);
    expect(report.added.sort()).toEqual(['A/N.md', 'Pictures/crate.png']);
    expect(report.left.map(({ path }) => path)).toEqual(['Pictures/false.png', '../Pictures/out.png']);
    expect((await store.all()).map(({ path }) => path)).toEqual(['A/N.md']);
  });

  it('of a note that is sealed is sealed with it, unless another shows it too, and comes out with it', async () => {
    const { store, seals, seal } = await sealedDesk({ 'A/N.md': '', 'B.md': 'see ![](Pictures/both.gif)' }, 'shown');
    const own = await addPicture(store, 'A/N.md', 'bed', 'image/png', PNG);
    await addPicture(store, 'B.md', 'both', 'image/gif', GIF);
    const text = `words\r\n![bed](../${own}) ![b](../Pictures/both.gif)\r\n`;
    await store.commit({ by: 'command', label: 'x' }, [{ path: 'A/N.md', expect: { text: '' }, content: { text } }]);
    await seals.seal(seal, ['A/N.md']);
    expect(await store.db.pictures.toCollection().primaryKeys()).toEqual(['pictures/bed.png.age', 'pictures/both.gif']);
    expect(await allThatIsKept(store)).not.toContain('violet');
    expect(await store.text('A/N.md.age')).toContain('![bed](../Pictures/bed.png.age) ![b](../Pictures/both.gif)');
    expect(await shownPicture(store, 'A/N.md.age', '../Pictures/bed.png.age')).toMatchObject({
      is: 'there',
      bytes: PNG,
      type: 'image/png',
    });
    // One that comes to a sealed note lies sealed from the beginning.
    expect(await addPicture(store, 'A/N.md.age', 'later', 'image/png', PNG)).toBe('Pictures/later.png.age');
    await seals.close();
    expect(await shownPicture(store, 'A/N.md.age', '../Pictures/bed.png.age')).toEqual({ is: 'closed' });
    await seals.open(seal, 'salt and oak');
    await seals.unseal(['A/N.md.age']);
    expect(await store.text('A/N.md')).toBe(text);
    expect(await shownPicture(store, 'A/N.md', `../${own}`)).toMatchObject({ is: 'there', bytes: PNG });
  });

  it('is found under its other name where a page went between sealing it and its note, and is brought right', async () => {
    const { store, seals, seal } = await sealedDesk({ 'A.md': '![](Pictures/bed.png)' }, 'shown');
    await addPicture(store, 'A.md', 'bed', 'image/png', PNG);
    const bytes = await seals.sealed('A.md', PNG);
    await putPictures(store, [
      { path: 'Pictures/bed.png', expect: PNG, bytes: null },
      { path: 'Pictures/bed.png.age', expect: null, bytes },
    ]);
    expect(await shownPicture(store, 'A.md', 'Pictures/bed.png')).toMatchObject({ is: 'there', bytes: PNG });
    await seals.seal(seal, ['A.md']);
    expect(await store.text('A.md.age')).toBe('![](Pictures/bed.png.age)');
  });

  it('that no note shows can be let go, but not while a note is closed that may show it', async () => {
    const { store, seals, seal } = await sealedDesk({ 'A.md': '![](Pictures/shown.png)', 'B.md': 'words' }, 'shown');
    await addPicture(store, 'A.md', 'shown', 'image/png', PNG);
    await addPicture(store, 'A.md', 'other', 'image/gif', GIF);
    expect(await picturesSize(store)).toEqual({ count: 2, size: PNG.length + GIF.length, unshown: 1 });
    await seals.seal(seal, ['B.md']);
    await seals.close();
    expect(await letUnshownGo(store)).toBe(0);
    await seals.open(seal, 'salt and oak');
    expect(await letUnshownGo(store)).toBe(1);
    expect(await store.db.pictures.toCollection().primaryKeys()).toEqual(['pictures/shown.png']);
  });
});
