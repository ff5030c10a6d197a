import 'fake-indexeddb/auto';
import type { StoredNote } from './content';
import { RecadoDatabase } from './database';
import type { Portion } from './note-source';
import { storedNotes } from './read-notes';

const noteOf = (index: number): StoredNote => ({
  id: `id ${index}`,
  key: `notes/${String(index).padStart(3, '0')}.md`,
  path: `Notes/${String(index).padStart(3, '0')}.md`,
  text: `- [ ] task ${index}`,
  bytes: null,
  changed: index,
  demo: null,
});

async function read(name: string, size: number): Promise<Portion[]> {
  const portions: Portion[] = [];
  for await (const portion of storedNotes(size, name)) portions.push(portion);
  return portions;
}

const names = async (): Promise<(string | undefined)[]> => (await indexedDB.databases()).map((one) => one.name);

describe('the notes as the worker reads them', () => {
  it.each([
    [0, 10, []],
    [7, 10, [7]],
    [20, 10, [10, 10]],
    [25, 10, [10, 10, 5]],
  ])('%d notes come in portions of %d, in order, as the page stored them', async (count, size, sizes) => {
    const name = `read-${count}`;
    const db = new RecadoDatabase(name);
    const stored = Array.from({ length: count }, (_, index) => noteOf(index));
    await db.notes.bulkPut([...stored].reverse());
    const portions = await read(name, size);
    expect(portions.map(({ notes }) => notes.length)).toEqual(sizes);
    expect(portions.flatMap(({ notes }) => notes)).toEqual(stored);
    for (const { all } of portions) expect(all).toBe(count);
    db.close();
  });

  it('a database that the page has not made yet holds none, and is not made', async () => {
    expect(await read('absent', 10)).toEqual([]);
    expect(await names()).not.toContain('absent');
    // The page can still make it.
    const db = new RecadoDatabase('absent');
    await db.notes.put(noteOf(1));
    expect((await read('absent', 10)).flatMap(({ notes }) => notes)).toEqual([noteOf(1)]);
    db.close();
  });

  it('what is stored between two portions is read when it comes after them', async () => {
    const db = new RecadoDatabase('growing');
    await db.notes.bulkPut([0, 1, 2, 3].map(noteOf));
    const seen: string[] = [];
    for await (const { notes } of storedNotes(2, 'growing')) {
      seen.push(...notes.map((note) => note.key));
      if (seen.length === 2) await db.notes.put(noteOf(9));
    }
    expect(seen).toEqual([0, 1, 2, 3, 9].map((index) => noteOf(index).key));
    db.close();
  });

  it('stopping early lets the database go', async () => {
    const db = new RecadoDatabase('left');
    await db.notes.bulkPut([0, 1, 2, 3].map(noteOf));
    for await (const { notes } of storedNotes(2, 'left')) {
      expect(notes).toHaveLength(2);
      break;
    }
    db.close();
    await RecadoDatabase.delete('left');
    expect(await names()).not.toContain('left');
  });
});
