import { strToU8, zipSync } from 'fflate';
import { readZip } from './read-zip';

const read = async (bytes: Uint8Array) =>
  (await readZip(new Blob([bytes as Uint8Array<ArrayBuffer>]))).map((file) => [
    file.path,
    file.bytes && Buffer.from(file.bytes).toString(),
    file.bytes ? undefined : file.problem,
  ]);

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

  it.each([[0], [10], [100], [400]])('cut after %i bytes ends in messages, and gives what is whole', async (length) => {
    const archive = zipSync({ 'a.md': [strToU8('a'), { level: 0 }], 'b.md': [strToU8('b'.repeat(1000)), { level: 0 }] });
    const files = await read(archive.slice(0, length));
    expect(files.length).toBeGreaterThan(0);
    for (const [, bytes, problem] of files) expect(bytes === null ? typeof problem : bytes).toBe(bytes === null ? 'string' : 'a');
  });

  it('with a broken entry says so and goes on', async () => {
    const archive = zipSync({ 'a.md': [strToU8('a'.repeat(500)), { level: 9 }], 'b.md': [strToU8('b'), { level: 0 }] });
    const at = archive.indexOf('.'.charCodeAt(0)) + 6;
    archive.fill(0xff, at, at + 3);
    const files = await read(archive);
    expect(files[0]?.[1]).toBeNull();
    expect(typeof files[0]?.[2]).toBe('string');
  });

  it('that is none is said', async () => {
    expect(await read(strToU8('no zip at all'))).toEqual([['the archive', null, 'It holds no files, or is no zip.']]);
  });
});
