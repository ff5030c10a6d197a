import { type Zippable, zipSync } from 'fflate';
import type { NoteStore } from '../../store/note-store';
import { SETTINGS_FILE } from '../../store/import-notes';
import type { Settings } from '../../store/settings';

/**
 * Everything as one zip: each note with its very bytes under its path, and the settings. It is packed on the page:
 * the library's own workers are made from text, which the policy of the page rightly forbids.
 */
export async function exportAll(store: NoteStore, settings: Settings): Promise<Uint8Array> {
  const encoder = new TextEncoder();
  const files: Zippable = {};
  for (const note of await store.all()) {
    files[note.path] = [note.bytes ?? encoder.encode(note.text ?? ''), { mtime: note.changed }];
  }
  files[SETTINGS_FILE] = encoder.encode(`${JSON.stringify(settings, null, 2)}\n`);
  return zipSync(files, { level: 6 });
}
