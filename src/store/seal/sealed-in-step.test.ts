import { FolderSync } from '../folder/folder-sync';
import { InSteps } from '../folder/in-step';
import { MemoryFolder } from '../folder/memory-folder';
import { TYPING } from '../notes/origin';
import { desk } from '../test-desk';
import { sealsOf } from './test-seals';

const PATH = 'Private/Diary.md.age';

async function deskAt(folder: MemoryFolder, notes: Record<string, string> = {}) {
  const tab = desk(notes);
  await tab.ready;
  const seals = sealsOf(tab);
  const sync = new FolderSync(tab.store.kept, folder, await InSteps.load(tab.db), () => tab.store.opener);
  tab.store.listen({ changed: (changes) => changes.forEach(({ path }) => sync.touched(path)) });
  const write = async (text: string): Promise<void> => {
    const before = (await tab.store.text(PATH)) ?? '';
    expect(await tab.store.commit(TYPING, [{ path: PATH, expect: { text: before }, content: { text } }])).toMatchObject({ saved: true });
  };
  return { ...tab, seals, sync, write };
}

describe('a sealed note in a folder that two devices share', () => {
  it('goes over sealed, and what both changed is merged by its lines', async () => {
    const folder = new MemoryFolder();
    const one = await deskAt(folder, { 'Private/Diary.md': 'first\n\nmiddle\n\nlast' });
    await one.sync.pass();
    const seal = await one.seals.make('Private', 'salt and oak', { titles: 'shown', folders: [] });
    await one.seals.seal(seal, ['Private/Diary.md']);
    await one.sync.pass();
    expect([...folder.files.keys()].sort()).toEqual([PATH, 'Seals/Private.md']);
    expect(new TextDecoder('latin1').decode((await folder.read(PATH))?.bytes)).toMatch(/^age-encryption.org\/v1\n/);

    const two = await deskAt(folder);
    await two.sync.pass();
    expect(await two.store.text(PATH)).toBeNull();
    const [there] = await two.seals.all();
    if (!there) throw new Error('the seal did not come');
    await two.seals.open(there, 'salt and oak');
    await one.write('first plover\n\nmiddle\n\nlast');
    await two.write('first\n\nmiddle\n\nlast curlew');
    await one.sync.pass();
    // Closed, it waits: nothing is shown half, and nothing stands beside.
    await two.seals.close();
    expect((await two.sync.pass()).failed).toMatchObject([{ path: PATH }]);
    await two.seals.open(there, 'salt and oak');
    expect((await two.sync.pass()).merged).toEqual([PATH]);
    await one.sync.pass();
    for (const { store } of [one, two]) expect(await store.text(PATH)).toBe('first plover\n\nmiddle\n\nlast curlew');
    // In the same words they stand beside each other, both sealed.
    await one.write('tern');
    await two.write('gull');
    await one.sync.pass();
    expect((await two.sync.pass()).beside).toEqual([{ path: PATH, other: 'Private/Diary (other text).md.age' }]);
    expect(await two.store.text('Private/Diary (other text).md.age')).toBe('tern');
    expect([...folder.files.keys()].filter((path) => !path.endsWith('.age'))).toEqual(['Seals/Private.md']);
  });

  it('made by another program, as bytes or as letters, is read; so is what was sealed by nobody known said to be closed', async () => {
    const { Encrypter, armor } = await import('age-encryption');
    const one = await deskAt(new MemoryFolder());
    const seal = await one.seals.make('Private', 'salt and oak', { titles: 'shown', folders: [] });
    const encrypter = new Encrypter();
    encrypter.addRecipient(seal.to);
    const bytes = await encrypter.encrypt('plover');
    const letters = new TextEncoder().encode(armor.encode(bytes));
    await one.store.kept.commit(TYPING, [
      { path: 'A.md.age', expect: null, content: { bytes } },
      { path: 'B.md.age', expect: null, content: { bytes: letters } },
      { path: 'C.md.age', expect: null, content: { bytes: new TextEncoder().encode('no such file') } },
    ]);
    expect(await one.store.text('A.md.age')).toBe('plover');
    expect(await one.store.text('B.md.age')).toBe('plover');
    expect(await one.store.text('C.md.age')).toBeNull();
  });
});
