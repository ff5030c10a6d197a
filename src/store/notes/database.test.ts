import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { foldPath } from '../../core/note/names/path';
import type { StoredNote } from './content';
import { type Step, NewerStoreError, RecadoDatabase, presentDatabase } from './database';
import { failureSentence } from './failure';
import { NoteStore } from './note-store';
import { NEWEST } from './schema';
import { tabOn } from '../test-desk';

/** A version that this program does not know. */
const NEWER = (NEWEST + 1) * 10;

interface Fixture {
  version: number;
  notes: Omit<StoredNote, 'id'>[];
  steps: Step[];
  values: { id: string; value: unknown }[];
}

/** A database as the first version of the program wrote it. */
const FIXTURE = JSON.parse(readFileSync(path.join(__dirname, 'fixtures/database-1.json'), 'utf8'), (_key, value: unknown) =>
  typeof value === 'object' && value !== null && '$bytes' in value ? Uint8Array.from(value.$bytes as number[]) : value,
) as Fixture;

function makeOld(name: string, version: number): Promise<void> {
  return new Promise((resolve, reject) => {
    const request = indexedDB.open(name, version);
    request.onupgradeneeded = () => {
      const db = request.result;
      const notes = db.createObjectStore('notes', { keyPath: 'key' });
      const steps = db.createObjectStore('steps', { keyPath: 'id', autoIncrement: true });
      steps.createIndex('tab', 'tab');
      const values = db.createObjectStore('values', { keyPath: 'id' });
      for (const note of FIXTURE.notes) notes.put(note);
      for (const step of FIXTURE.steps) steps.put(step);
      for (const value of FIXTURE.values) values.put(value);
    };
    request.onsuccess = () => {
      request.result.close();
      resolve();
    };
    request.onerror = () => reject(new Error('the old database cannot be made'));
  });
}

/** The database of this version, brought to a later one with a table of its own. */
async function makeNewer(name: string, version: number): Promise<void> {
  await makeOld(name, FIXTURE.version);
  const own = new RecadoDatabase(name);
  await own.openOwn();
  own.close();
  await brought(name, version, 'later');
}

function brought(name: string, version: number, table: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const request = indexedDB.open(name, version);
    request.onupgradeneeded = () => void request.result.createObjectStore(table);
    request.onsuccess = () => {
      request.result.close();
      resolve();
    };
    request.onerror = () => reject(new Error('the later database cannot be made'));
  });
}

describe('a database of the first version', () => {
  it('is upgraded with every byte, each note gets an id, and its steps can be taken back', async () => {
    await makeOld('upgraded', FIXTURE.version);
    const db = new RecadoDatabase('upgraded');
    expect((await presentDatabase('upgraded')).onlyRead).toBe(false);
    await db.openOwn();
    const store = new NoteStore(db, 'tab-1', () => 0);
    const notes = await store.all();
    expect(notes.map(({ id: _id, ...note }) => note)).toEqual(FIXTURE.notes);
    expect(new Set(notes.map(({ id }) => id)).size).toBe(notes.length);
    expect(notes.every(({ id }) => /^[0-9a-f]{24}$/.test(id))).toBe(true);
    expect(await store.value('settings')).toEqual({ theme: 'dark', textSize: 115 });
    expect(await store.steps.undo()).toEqual({ undone: 'Deleted: 2026-11-23' });
    expect(await store.text('Journal/2026-11-23.md')).toContain('[[Salt on the Window]]');
    const window = await store.get('Exhibitions/Salt on the Window.md');
    expect(await store.steps.undo()).toEqual({ undone: 'Renamed: Salt on the Glass' });
    expect((await store.get('Exhibitions/Salt on the Glass.md'))?.id).toBe(window?.id);
    store.close();
  });
});

describe('a database of a newer version', () => {
  it('is read, and nothing is written into it', async () => {
    await makeNewer('newer', NEWER);
    const db = await presentDatabase('newer');
    await db.openOwn();
    expect(db.onlyRead).toBe(true);
    const store = new NoteStore(db, 'tab-1', () => 0);
    const path = 'Exhibitions/Salt on the Window.md';
    const before = await store.get(path);
    expect(before?.text).toBeTruthy();
    expect(await store.value('settings')).toEqual({ theme: 'dark', textSize: 115 });
    const writes = [
      () => store.commit({ label: 'Changed', by: 'typing' }, [{ path, expect: { text: before?.text ?? '' }, content: { text: 'x' } }]),
      () => store.setValue('settings', {}),
      () => store.steps.prune(),
      () => store.earlier.clear(),
    ];
    for (const write of writes) {
      const error: unknown = await write().then(
        () => null,
        (reason: unknown) => reason,
      );
      expect(failureSentence(error)).toContain('written by a newer version of Recado than this page is, so nothing is written');
    }
    expect(await store.all()).toHaveLength(FIXTURE.notes.length);
    expect(await store.get(path)).toEqual(before);
    const present = db.backendDB();
    expect([present.version, present.objectStoreNames.contains('later')]).toEqual([NEWER, true]);
    store.close();
  });

  it('that keeps its notes elsewhere is not opened', async () => {
    await brought('elsewhere', NEWER, 'pages');
    await expect((await presentDatabase('elsewhere')).openOwn()).rejects.toBeInstanceOf(NewerStoreError);
  });
});

describe('the id of a note', () => {
  it('stays through edits, rename, move and their undos, and when a deleted note is brought back', async () => {
    const { store, actions } = tabOn('ids');
    await actions.create('', 'Crates', '- [ ] a\n');
    const idAt = async (at: string): Promise<string | undefined> => (await store.db.notes.get(foldPath(at)))?.id;
    const id = await idAt('Crates.md');
    expect(id).toBeDefined();
    await actions.replace('Crates.md', '- [ ] b\n', 'Changed');
    await actions.rename('Crates.md', 'Boxes');
    expect(await idAt('Boxes.md')).toBe(id);
    await actions.move('Boxes.md', 'Store');
    expect(await idAt('Store/Boxes.md')).toBe(id);
    await actions.remove(['Store/Boxes.md'], 'Deleted');
    expect(await idAt('Store/Boxes.md')).toBeUndefined();
    for (const at of ['Store/Boxes.md', 'Boxes.md', 'Crates.md']) {
      await store.steps.undo();
      expect(await idAt(at)).toBe(id);
    }
    await store.steps.redo();
    expect(await idAt('Boxes.md')).toBe(id);
    // Another note of the same path is another note.
    await actions.remove(['Boxes.md'], 'Deleted');
    await actions.create('', 'Boxes', '');
    expect(await idAt('Boxes.md')).not.toBe(id);
  });
});

it('an older tab that holds the store is told of, and when it is closed the store opens by itself', async () => {
  await makeOld('held', FIXTURE.version);
  const held = await new Promise<IDBDatabase>((resolve) => {
    const request = indexedDB.open('held');
    request.onsuccess = () => resolve(request.result);
  });
  const db = new RecadoDatabase('held');
  const blocked = new Promise<void>((resolve) => db.on('blocked', () => resolve()));
  const opened = db.openOwn();
  await blocked;
  held.close();
  await opened;
  expect(await db.notes.count()).toBe(FIXTURE.notes.length);
  db.close();
});

it('writes in turn, also into other tables and from another tab', async () => {
  const tabs = [new RecadoDatabase('turns'), new RecadoDatabase('turns')] as const;
  for (const db of tabs) await db.openOwn();
  const order: string[] = [];
  const write = (db: RecadoDatabase, table: 'inStep' | 'lent' | 'values', who: string): Promise<void> =>
    db.transaction('rw', db[table], async () => {
      for (let times = 0; times < 5; times++) {
        await db.table(table).put({ key: 'a', name: 'a', id: 'a' });
        order.push(who);
      }
    });
  await Promise.all([write(tabs[0], 'inStep', 'a'), write(tabs[0], 'lent', 'b'), write(tabs[1], 'values', 'c')]);
  expect(order.join('')).toMatch(/^(?:a{5}|b{5}|c{5}){3}$/);
  for (const db of tabs) db.close();
});
