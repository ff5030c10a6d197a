import { strToU8, zipSync, type Zippable } from 'fflate';
import { LONG } from '../../core/testing/test-runs';
import { readZip } from './read-zip';

const read = async (bytes: Uint8Array) => {
  const files: [string, string | null, string | undefined][] = [];
  for await (const file of readZip(new Blob([bytes as Uint8Array<ArrayBuffer>])))
    files.push([file.path, file.bytes && Buffer.from(file.bytes).toString(), file.problem]);
  return files;
};

describe('a zip', () => {
  it('gives its files with their very bytes, and no folders', async () => {
    const archive = zipSync({
      'F/': new Uint8Array(),
      'F/a.md': strToU8('a'.repeat(3000)),
      'b é.md': [strToU8('b'), { level: 0 }],
      'empty.md': new Uint8Array(),
    });
    expect(await read(archive)).toEqual([
      ['F/a.md', 'a'.repeat(3000), undefined],
      ['b é.md', 'b', undefined],
      ['empty.md', '', undefined],
    ]);
  });

  it('of thousands of small files comes in whole', async () => {
    const all: Zippable = {};
    const count = LONG ? 50_000 : 5_000;
    for (let index = 0; index < count; index++) all[`F${index % 40}/note ${index}.md`] = [strToU8(`- [ ] task ${index}\n`), { level: 0 }];
    const files = await read(zipSync(all));
    expect(files).toHaveLength(count);
    expect(files.filter(([, , problem]) => problem !== undefined)).toEqual([]);
    expect(files.find(([path]) => path === 'F7/note 4567.md')?.[1]).toBe('- [ ] task 4567\n');
  }, 60_000);

  it.each([[0], [10], [100], [400]])('cut after %i bytes ends in messages, and gives what is whole', async (length) => {
    const archive = zipSync({ 'a.md': [strToU8('a'), { level: 0 }], 'b.md': [strToU8('b'.repeat(1000)), { level: 0 }] });
    const files = await read(archive.slice(0, length));
    expect(files.length).toBeGreaterThan(0);
    for (const [, bytes, problem] of files) expect(bytes === null ? typeof problem : bytes).toBe(bytes === null ? 'string' : 'a');
  });

  it('with a broken entry says so and goes on', async () => {
    const archive = zipSync({ 'a.md': [strToU8('a'.repeat(500)), { level: 9 }], 'b.md': [strToU8('b'), { level: 0 }] });
    // The header of the first entry is 30 bytes and its name (APPNOTE.TXT 4.3.7); a few bytes into what it holds.
    const at = 30 + 'a.md'.length + 3;
    archive.fill(0xff, at, at + 3);
    const files = await read(archive);
    expect(files[0]?.[1]).toBeNull();
    expect(files[0]?.[2]).toBe('It is broken inside the archive.');
  });

  it('that is none is said', async () => {
    expect(await read(strToU8('no zip at all'))).toEqual([['the archive', null, 'It holds no files, or is no zip.']]);
  });

  it('that is made to fill the memory is refused before it does, and says so', async () => {
    const huge = new Uint8Array(18 * 1024 * 1024);
    const bomb = zipSync({ 'note.md': strToU8('words'), 'a.md': huge, 'b.md': huge, 'c.md': huge }, { level: 1 });
    const files = await read(bomb);
    expect(files[0]).toEqual(['note.md', 'words', undefined]);
    expect(files.at(-1)?.[2]).toContain('hundred times its size');
    expect(files.length).toBeLessThan(5);
  }, 30_000);

  it('leaves out what no note can be, and gives the rest', async () => {
    const large = zipSync({ 'large.md': [new Uint8Array(51 * 1024 * 1024), { level: 0 }], 'b.md': strToU8('b') });
    expect(await read(large)).toEqual([
      ['large.md', null, 'It unfolds to more than 50 MB, as no note does.'],
      ['b.md', 'b', undefined],
    ]);
  }, 30_000);
});
