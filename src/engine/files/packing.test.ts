import { unzipSync } from 'fflate';
import fc from 'fast-check';
import type { StoredNote } from '../../store/notes/content';
import { packNotes } from './packing';

const note = (path: string, content: string | Uint8Array): StoredNote => ({
  key: path.toLowerCase(),
  id: path.toLowerCase(),
  path,
  text: typeof content === 'string' ? content : null,
  bytes: typeof content === 'string' ? null : content,
  changed: 0,
  demo: null,
});

async function packed(notes: StoredNote[], others: Record<string, string> = {}, told: number[] = []) {
  const portions = async function* () {
    for (let at = 0; at < notes.length; at += 2) yield { notes: notes.slice(at, at + 2), all: notes.length };
  };
  const blob = await packNotes(portions(), others, (count) => told.push(count));
  return unzipSync(new Uint8Array(await blob.arrayBuffer()));
}

describe('an export', () => {
  it('holds each note with its very bytes, and the settings', async () => {
    const told: number[] = [];
    const files = await packed(
      [note('F/a é.md', '\ufeff- [ ] a\r\n'), note('b.md', ''), note('c.md', new Uint8Array([0xff, 0xfe, 0]))],
      { 'settings.json': '{}' },
      told,
    );
    expect(Object.keys(files)).toEqual(['F/a é.md', 'b.md', 'c.md', 'settings.json']);
    expect(new TextDecoder('utf-8', { ignoreBOM: true }).decode(files['F/a é.md'])).toBe('\ufeff- [ ] a\r\n');
    expect([...(files['c.md'] ?? [])]).toEqual([0xff, 0xfe, 0]);
    expect(told).toEqual([2, 3]);
  });

  it('gives any bytes back', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.uint8Array({ maxLength: 300 }), { maxLength: 6 }), async (contents) => {
        const files = await packed(contents.map((bytes, index) => note(`${index}.md`, bytes)));
        expect(contents.map((_, index) => [...(files[`${index}.md`] ?? [])])).toEqual(contents.map((bytes) => [...bytes]));
      }),
      { numRuns: 50, seed: 20261127 },
    );
  });
});
