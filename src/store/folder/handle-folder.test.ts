import { copiesIn, addCopy, letOlderCopiesGo } from '../keep/copies';
import { folderCopies } from '../keep/copy-place';
import type { DiskFile } from './disk-folder';
import { handleFolder } from './handle-folder';
import { type MadeFolder, type Mishap, madeHandle } from './test-handles';

const bytes = (words: string): Uint8Array => new TextEncoder().encode(words);
const words = (of: Uint8Array | undefined): string | undefined => of && new TextDecoder().decode(of);

describe('what is looked at', () => {
  it('is every note below, without what is hidden; what is none is named with its reason', async () => {
    const huge = new File([], 'Huge.md', { lastModified: 3 });
    Object.defineProperty(huge, 'size', { value: 51 * 1024 * 1024 });
    const locked = (): never => {
      throw new DOMException('in use', 'NotReadableError');
    };
    const gone = (): never => {
      throw new DOMException('gone', 'NotFoundError');
    };
    const { files, ignored } = await handleFolder(
      madeHandle({
        'Journal.md': 'a',
        Store: { 'Crates.txt': 'bb', Deep: { 'Lamp.markdown': 'ccc' } },
        '.recado': { 'settings.json': '{}' },
        '.hidden.md': 'x',
        'Plan.pdf': 'x',
        'Huge.md': () => huge,
        'Locked.md': locked,
        'Gone.md': gone,
      }),
    ).look();
    expect(files.map(({ path, size }) => [path, size])).toEqual([
      ['Journal.md', 1],
      ['Store/Crates.txt', 2],
      ['Store/Deep/Lamp.markdown', 3],
    ]);
    expect(ignored).toEqual([
      { path: 'Plan.pdf', why: 'It is no Markdown, text or picture.' },
      { path: 'Locked.md', why: 'It cannot be read now.' },
      { path: 'Huge.md', why: 'It is larger than 50 MB, as no note is.' },
    ]);
  });

  it('ends where links lead in a circle', async () => {
    const circle: MadeFolder = { 'A.md': 'a' };
    circle.Again = circle;
    const { files, ignored } = await handleFolder(madeHandle(circle)).look();
    expect(files).toHaveLength(41);
    expect(ignored).toEqual([expect.objectContaining({ why: 'It lies too deep, or its links lead in a circle.' })]);
  });

  it('is refused where there are more files than a desk can have', async () => {
    const many: MadeFolder = {};
    for (let at = 0; at <= 60_000; at++) many[`${at}.md`] = '';
    await expect(handleFolder(madeHandle(many)).look()).rejects.toThrow('It holds more than 60,000 notes.');
  });
});

describe('a file', () => {
  it('is read with what it was like then; one that is not there, or is a folder, is none', async () => {
    const folder = handleFolder(madeHandle({ Store: { 'A.md': 'salt' } }));
    const found = await folder.read('Store/A.md');
    expect([words(found?.bytes), found?.file]).toEqual(['salt', { path: 'Store/A.md', size: 4, modified: 1 }]);
    for (const path of ['Store/B.md', 'None/A.md', 'Store']) expect(await folder.read(path)).toBeNull();
    expect(await folder.stat('Store/B.md')).toBeNull();
  });

  it('is written with the folders it needs, unless it is another than was looked at', async () => {
    const made: MadeFolder = {};
    const folder = handleFolder(madeHandle(made));
    const first = await folder.write('Store/A.md', bytes('one'), null);
    expect(made).toEqual({ Store: { 'A.md': 'one' } });
    // Somebody else made it meanwhile.
    expect(await folder.write('Store/A.md', bytes('two'), null)).toBeNull();
    expect(made).toEqual({ Store: { 'A.md': 'one' } });
    const second = await folder.write('Store/A.md', bytes('two'), first);
    expect(made).toEqual({ Store: { 'A.md': 'two' } });
    // What was seen before the last write is not what is removed.
    expect(await folder.remove('Store/A.md', first as DiskFile)).toBe(false);
    expect(await folder.remove('Store/A.md', second as DiskFile)).toBe(true);
    expect(await folder.remove('Store/A.md', second as DiskFile)).toBe(true);
    expect(made).toEqual({ Store: {} });
  });

  it('that another program writes meanwhile is not written over, whether it was there or not', async () => {
    const made: MadeFolder = { 'A.md': 'one' };
    const mishap: Mishap = { aborted: 0 };
    const clock = { at: 1 };
    const folder = handleFolder(madeHandle(made, mishap, clock));
    const before = await folder.stat('A.md');
    for (const [name, seen] of [
      ['A.md', before],
      ['B.md', null],
    ] as const) {
      mishap.meanwhile = () => {
        made[name] = 'theirs';
        clock.at++;
      };
      expect(await folder.write(name, bytes('ours'), seen)).toBeNull();
      expect(made[name]).toBe('theirs');
    }
    expect(mishap.aborted).toBe(2);
  });

  it('that cannot be written to its end holds what it held', async () => {
    const made: MadeFolder = { 'A.md': 'one' };
    const mishap: Mishap = { aborted: 0 };
    const folder = handleFolder(madeHandle(made, mishap));
    const before = await folder.stat('A.md');
    mishap.fails = new DOMException('full', 'QuotaExceededError');
    await expect(folder.write('A.md', bytes('two'), before)).rejects.toThrow('full');
    expect([made['A.md'], mishap.aborted]).toEqual(['one', 1]);
  });
});

it('copies lie beside the settings of a folder that is joined, and all but the newest can go', async () => {
  const made: MadeFolder = { 'A.md': 'a' };
  const place = folderCopies(madeHandle(made));
  for (const day of [24, 25, 26]) await addCopy(place, new Blob([`of ${day}`]), new Date(2026, 10, day, 9, 30));
  const copies = await copiesIn(place);
  expect(copies.map(({ at }) => new Date(at).getDate())).toEqual([26, 25, 24]);
  expect(await (await place.read(copies[1]?.name ?? '')).text()).toBe('of 25');
  // The folder of notes does not take them for notes.
  expect((await handleFolder(madeHandle(made)).look()).files.map(({ path }) => path)).toEqual(['A.md']);
  expect(await letOlderCopiesGo(place)).toBe(2);
  expect(await copiesIn(place)).toEqual(copies.slice(0, 1));
});
