import { desk, texts } from '../test-desk';
import { FolderSync } from './folder-sync';
import { GivenFolder, type GivenNote } from './given-folder';
import { InSteps } from './in-step';

const given = (files: Record<string, string>, modified = 1): GivenNote[] =>
  Object.entries(files).map(([path, words]) => {
    const bytes = new TextEncoder().encode(words);
    return { path, size: bytes.length, modified, read: () => Promise.resolve(bytes) };
  });

test('a folder that is given again and again is merged as one that is joined, and gives what has to go into it', async () => {
  const { store, actions, db, ready } = desk({ 'A.md': 'one\n\ntwo\n', 'B.md': 'b' });
  await ready;
  const look = async (files: Record<string, string>, modified = 1): Promise<GivenFolder> => {
    const folder = new GivenFolder(given(files, modified));
    await new FolderSync(store, folder, await InSteps.load(db)).pass(true);
    return folder;
  };
  const first = await look({ 'C.md': 'c' });
  const out = Object.fromEntries([...first.written].map(([path, bytes]) => [path, new TextDecoder().decode(bytes)]));
  expect(out).toEqual({ 'A.md': 'one\n\ntwo\n', 'B.md': 'b' });
  expect(await store.text('C.md')).toBe('c');
  // Not put there yet, it goes out again, and nothing is taken for removed.
  expect([...(await look({ 'C.md': 'c' })).written.keys()].sort()).toEqual(['A.md', 'B.md']);
  // Put there by hand, and given again: all of it is in step.
  const all = { ...out, 'C.md': 'c' };
  expect((await look(all, 5)).written.size).toBe(0);

  // Both sides change, and one note goes.
  await actions.replace('A.md', 'one\n\ntwo here\n', 'Changed');
  await actions.remove(['B.md'], 'Deleted');
  const last = await look({ ...all, 'A.md': 'one there\n\ntwo\n' }, 9);
  expect(await texts(store)).toEqual({ 'A.md': 'one there\n\ntwo here\n', 'C.md': 'c' });
  expect([...last.written.keys()]).toEqual(['A.md']);
  expect(last.removed).toEqual(['B.md']);
});
