import { strToU8, unzipSync, zipSync } from 'fflate';
import { swapped } from './swapped';

const bytes = strToU8('age-encryption.org/v1\n…');
const earlier = (paths: string[]): Uint8Array =>
  strToU8(JSON.stringify({ earlier: paths.map((path) => ({ path, text: `before ${path}` })) }));
const copyOf = (files: Record<string, Uint8Array>): File => new File([zipSync(files)], 'recado 2026-11-22.zip');
const opened = async (zip: Blob): Promise<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(unzipSync(new Uint8Array(await zip.arrayBuffer()))).map(([path, file]) => [path, new TextDecoder().decode(file)]),
  );

describe('a copy in which notes are sealed', () => {
  it('has their files in the place of what could be read, none of their earlier texts, and all else as it was', async () => {
    const copy = copyOf({
      'Private/Garden.md': strToU8('violet'),
      'A.md': strToU8('other words\r\n'),
      'recado-earlier.json': earlier(['private/garden.md', 'A.md']),
    });
    const next = await swapped(copy, [{ from: 'Private/Garden.md', to: 'Private/sealed-aaaabbbbccccdddd.md.age', bytes }]);
    const files = await opened(next ?? new Blob());
    expect(Object.keys(files).sort()).toEqual(['A.md', 'Private/sealed-aaaabbbbccccdddd.md.age', 'recado-earlier.json']);
    expect(files['A.md']).toBe('other words\r\n');
    expect(files['Private/sealed-aaaabbbbccccdddd.md.age']).toMatch(/^age-encryption/);
    expect(JSON.parse(files['recado-earlier.json'] ?? '')).toEqual({ earlier: [{ path: 'A.md', text: 'before A.md' }] });
  });

  it('that holds nothing of them stays as it is; one that is broken is told', async () => {
    const swap = [{ from: 'B.md', to: 'B.md.age', bytes }];
    expect(await swapped(copyOf({ 'A.md': strToU8('words') }), swap)).toBeNull();
    const whole = new Uint8Array(await copyOf({ 'B.md': strToU8('words '.repeat(999)) }).arrayBuffer());
    await expect(swapped(new File([whole.slice(0, 40)], 'cut.zip'), swap)).rejects.toThrow();
  });
});
