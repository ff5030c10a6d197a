import { EARLIER_FILE } from '../../../store/keep/earlier-name';
import { SETTINGS_FILE } from '../../../store/device/settings-file';
import type { ImportFile } from '../../../store/notes/import/import-file';
import { copiedNotes } from './copied-notes';

async function* files(given: Record<string, string | Uint8Array | null>): AsyncGenerator<ImportFile> {
  for (const [path, held] of Object.entries(given)) {
    await Promise.resolve();
    yield {
      path,
      bytes: typeof held === 'string' ? new TextEncoder().encode(held) : held,
      ...(held === null && { problem: 'It is damaged.' }),
    };
  }
}

test('the notes of a copy are read by their paths: bytes that are no text stay bytes, the rest of the copy is left out', async () => {
  const raw = Uint8Array.of(0xff, 0xfe, 0x41);
  const { notes, problems } = await copiedNotes(
    files({
      'Store/Crates.md': '- [ ] Weigh the crate\r\n',
      'Bytes.md': raw,
      'Picture.png': 'x',
      [SETTINGS_FILE]: '{}',
      [EARLIER_FILE]: '{}',
      '../Outside.md': 'x',
      'Broken.md': null,
    }),
  );
  expect([...notes.values()]).toEqual([
    { path: 'Store/Crates.md', content: { text: '- [ ] Weigh the crate\r\n' } },
    { path: 'Bytes.md', content: { bytes: raw } },
  ]);
  expect(problems).toEqual(['Broken.md: It is damaged.']);
});

test('two paths that one note cannot tell apart are one note, the later', async () => {
  const { notes } = await copiedNotes(files({ 'Lamp.md': 'one', 'LAMP.md': 'two' }));
  expect([...notes.values()]).toEqual([{ path: 'LAMP.md', content: { text: 'two' } }]);
});
