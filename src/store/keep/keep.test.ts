import 'fake-indexeddb/auto';
import { copyName } from '../../core/keep/copies-kept';
import { command, TYPING, UNDO } from '../notes/origin';
import { tabOn } from '../test-desk';
import { asCopied, broughtBack, sinceCopy } from './bring-back';
import { addCopy, copiesIn, isCopyDue } from './copies';
import type { CopyPlace } from './copy-place';
import { earlierFile, takeEarlier } from './earlier-file';
import { leavesNow, readLeft, weeksAlone } from './left-browser';
import { EarlierTexts } from './earlier-texts';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;
const text = (words: string) => ({ text: words });

/** A tab whose clock a test moves on. */
function desk(name: string) {
  const tab = tabOn(name);
  let now = Date.UTC(2026, 10, 23, 9);
  const earlier = new EarlierTexts(tab.store.db, () => now);
  Object.assign(tab.store, { earlier, now: () => now });
  return { ...tab, earlier, later: (by: number) => void (now += by) };
}

describe('earlier texts', () => {
  it('are kept before each action, and of what is typed by its pauses', async () => {
    const { store, earlier, later } = desk('kept');
    const words = async (): Promise<(string | null)[]> =>
      Promise.all(
        (await earlier.of('A.md')).map(async ({ id }) => {
          const content = await earlier.content(id);
          return content && 'text' in content ? content.text : null;
        }),
      );
    const write = (origin: Parameters<typeof store.commit>[0], before: string | null, after: string) =>
      store.commit(origin, [{ path: 'A.md', expect: before === null ? null : text(before), content: text(after) }]);
    await write(TYPING, null, 'one');
    await write(TYPING, 'one', 'one two');
    // The first text that is typed into here stays, and then none until a pause.
    await write(TYPING, 'one two', 'one two three');
    expect(await words()).toEqual(['one']);
    later(3 * MINUTE);
    await write(TYPING, 'one two three', 'four');
    expect(await words()).toEqual(['one two three', 'one']);
    await write(command('Done: four'), 'four', 'five');
    await write(UNDO, 'five', 'four');
    expect(await words()).toEqual(['five', 'four', 'one two three', 'one']);
    expect((await earlier.of('a.MD')).map(({ by, label }) => label ?? by)).toEqual(['undo', 'Done: four', 'typing', 'typing']);
    // Nothing is kept of what did not change.
    await write(command('Nothing'), 'four', 'four');
    expect(await words()).toHaveLength(4);
    // Without a pause, one in ten minutes.
    for (let minute = 0; minute < 20; minute++) {
      later(MINUTE);
      await write(TYPING, minute === 0 ? 'four' : `four ${minute - 1}`, `four ${minute}`);
    }
    expect(await words()).toHaveLength(6);
  });

  it('follow a note that is renamed; a deleted one is brought back with its id', async () => {
    const { store, actions, earlier } = desk('follow');
    await actions.create('', 'Crates', '- [ ] a\n');
    await actions.replace('Crates.md', '- [ ] b\n', 'Changed');
    await actions.rename('Crates.md', 'Boxes');
    expect((await earlier.of('Boxes.md')).map(({ label }) => label)).toEqual(['Changed']);
    expect(await earlier.gone()).toEqual([]);
    const { id } = (await store.get('Boxes.md'))!;
    await actions.remove(['Boxes.md'], 'Deleted: Boxes');
    const [gone] = await earlier.gone();
    expect(gone).toMatchObject({ path: 'Boxes.md', note: id, gone: 1 });
    // Another note may stand there by now.
    await actions.create('', 'Boxes', 'other');
    const content = (await earlier.content(gone!.id))!;
    await actions.step('Brought back', () => broughtBack(store, 'Boxes.md', id, content));
    expect(await store.text('Boxes.md')).toBe('other');
    expect((await store.get('Boxes 2.md'))?.id).toBe(id);
    expect(await store.text('Boxes 2.md')).toBe('- [ ] b\n');
    expect(await earlier.gone()).toEqual([]);
    await store.steps.undo();
    expect(await store.text('Boxes 2.md')).toBeNull();
  });

  it('of deleted notes that nobody misses are let go', async () => {
    const { actions, earlier } = desk('forget');
    await actions.create('', 'A', 'a');
    await actions.create('', 'B', 'b');
    await actions.remove(['A.md', 'B.md'], 'Deleted');
    await earlier.forgetGone(['a.md']);
    expect((await earlier.gone()).map(({ path }) => path)).toEqual(['B.md']);
  });

  it('each gives its very bytes back', async () => {
    const { store, actions, earlier } = desk('bytes');
    const contents = [text('a\r\nb'), text('\ufeffc'), { bytes: new Uint8Array([255, 0, 254]) }, text('last')];
    let before: (typeof contents)[number] | null = null;
    for (const content of contents) {
      await store.commit(command('Next'), [{ path: 'A.md', expect: before, content }]);
      before = content;
    }
    const moments = (await earlier.of('A.md')).reverse();
    for (const [index, { id, note }] of moments.entries()) {
      const content = (await earlier.content(id))!;
      expect(content).toEqual(contents[index]);
      await actions.step('Back', () => broughtBack(store, 'A.md', note, content));
      const now = (await store.get('A.md'))!;
      expect(now.bytes === null ? text(now.text ?? '') : { bytes: now.bytes }).toEqual(contents[index]);
    }
    expect(moments).toHaveLength(3);
  });

  it('are thinned, and what deleted notes held stays', async () => {
    const { store, actions, earlier, later } = desk('thin');
    await actions.create('', 'A', 'text 0');
    for (let count = 1; count < 20; count++) await actions.replace('A.md', `text ${count}`, 'Changed');
    await actions.create('', 'B', 'gone');
    await actions.remove(['B.md'], 'Deleted: B');
    expect(await earlier.thin(1)).toBe(0);
    later(3 * DAY);
    expect(await earlier.thin(1)).toBe(18);
    expect(await earlier.size()).toMatchObject({ count: 2 });
    await earlier.clear();
    expect((await earlier.gone()).map(({ path }) => path)).toEqual(['B.md']);
    expect(await store.db.earlierContents.count()).toBe(1);
    later(60 * DAY);
    await earlier.thin(1);
    expect(await earlier.gone()).toEqual([]);
  });

  it('go out in a file and come in elsewhere, each once', async () => {
    const from = desk('file-from');
    await from.actions.create('', 'A', 'one');
    await from.actions.replace('A.md', 'two', 'Changed');
    await from.store.commit(command('B'), [{ path: 'B.md', expect: null, content: { bytes: new Uint8Array([255, 7]) } }]);
    await from.actions.remove(['B.md'], 'Deleted: B');
    const json = await earlierFile(from.store.db);
    const to = desk('file-to');
    await to.actions.create('', 'A', 'two');
    expect(await takeEarlier(to.store.db, json)).toBe(2);
    expect(await takeEarlier(to.store.db, json)).toBe(0);
    expect((await to.earlier.of('A.md')).map(({ label }) => label)).toEqual(['Changed']);
    const [gone] = await to.earlier.gone();
    expect(await to.earlier.content(gone!.id)).toEqual({ bytes: new Uint8Array([255, 7]) });
    await expect(takeEarlier(to.store.db, '{"earlier": [{}]}')).rejects.toThrow();
  });
});

describe('copies', () => {
  function memoryPlace(): CopyPlace & { files: Map<string, Blob> } {
    const files = new Map<string, Blob>();
    return {
      files,
      list: () => Promise.resolve([...files].map(([name, { size }]) => ({ name, size }))),
      read: (name) => Promise.resolve(files.get(name)!),
      write: (name, content) => Promise.resolve(void files.set(name, content)),
      remove: (name) => Promise.resolve(void files.delete(name)),
    };
  }

  it('are listed newest first, without what is no copy or was never closed, and old ones go', async () => {
    const place = memoryPlace();
    place.files.set('notes.txt', new Blob(['x']));
    place.files.set('recado 2026-11-20 0900.zip', new Blob([]));
    for (let day = 1; day <= 30; day++) await addCopy(place, new Blob(['zip']), new Date(2026, 9, day, 12));
    const names = (await copiesIn(place)).map(({ name }) => name);
    expect(names[0]).toBe(copyName(new Date(2026, 9, 30, 12)));
    expect(names.length).toBeLessThan(13);
    expect(place.files.has('notes.txt')).toBe(true);
  });

  it.each([
    [null, 'daily', true],
    [DAY - 1, 'daily', false],
    [DAY, 'daily', true],
    [DAY, 'weekly', false],
    [7 * DAY, 'weekly', true],
    [null, 'never', false],
  ] as const)('made %s ago and wanted %s, one is due: %s', (ago, every, due) =>
    expect(isCopyDue(ago === null ? null : 0, every, ago ?? 0)).toBe(due),
  );

  it('are compared with what is there, and what is chosen is brought back as one step', async () => {
    const { store, actions } = desk('copy');
    await actions.create('', 'A', 'changed');
    await actions.create('', 'Same', 'same');
    await actions.create('', 'New', 'new');
    const copied = new Map(
      [
        ['A.md', 'old'],
        ['Same.md', 'same'],
        ['Gone.md', 'gone'],
      ].map(([path = '', words = '']) => [path.toLowerCase(), { path, content: text(words) }]),
    );
    const since = await sinceCopy(store, copied);
    expect(since).toEqual([
      { path: 'A.md', now: text('changed'), then: text('old') },
      { path: 'Gone.md', now: null, then: text('gone') },
      { path: 'New.md', now: text('new'), then: null },
    ]);
    await actions.step('As copied', () => asCopied(store, since));
    expect(await Promise.all(['A.md', 'Gone.md', 'New.md'].map((path) => store.text(path)))).toEqual(['old', 'gone', null]);
    // What changed since it was compared is not written over.
    expect(await actions.step('Again', () => asCopied(store, since))).toHaveProperty('refused');
    await store.steps.undo();
    expect(await Promise.all(['A.md', 'Gone.md', 'New.md'].map((path) => store.text(path)))).toEqual(['changed', null, 'new']);
  });
});

test('one is reminded where nothing left the browser for three weeks', () => {
  const now = 100 * DAY;
  expect(weeksAlone(readLeft(undefined), now)).toBeNull();
  expect(weeksAlone(readLeft({ since: now - 20 * DAY }), now)).toBeNull();
  expect(weeksAlone(readLeft({ since: now - 30 * DAY }), now)).toBe(4);
  expect(weeksAlone(leavesNow(now)({ since: 0 }), now)).toBeNull();
  expect(readLeft('nonsense')).toEqual({ left: null, since: null });
});
