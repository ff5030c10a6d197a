import { decodeUtf8 } from '../../../core/note/blocks/decode';
import { cleanPath, foldPath, isNoteFile, isSealedPath } from '../../../core/note/names/path';
import { OUTSIDE_FILE } from '../../../store/outside/outside-name';
import { EARLIER_FILE } from '../../../store/keep/earlier-name';
import { SETTINGS_FILE } from '../../../store/device/settings-file';
import type { Content } from '../../../store/notes/content';
import type { ImportFile } from '../../../store/notes/import/import-file';

/** The notes of a copy, and what of it could not be read. */
export interface CopiedNotes {
  notes: Map<string, { path: string; content: Content }>;
  problems: string[];
}

/** Reads the notes of a copy; what else lies in it is left out. */
export async function copiedNotes(files: AsyncIterable<ImportFile>): Promise<CopiedNotes> {
  const notes: CopiedNotes['notes'] = new Map();
  const problems: string[] = [];
  for await (const { path: given, bytes, problem } of files) {
    const path = cleanPath(given);
    const isNote = path !== null && path !== SETTINGS_FILE && path !== EARLIER_FILE && path !== OUTSIDE_FILE && isNoteFile(path);
    if (bytes === null) problems.push(`${given}: ${problem ?? 'It could not be read.'}`);
    else if (isNote) {
      const text = isSealedPath(path) ? null : decodeUtf8(bytes);
      notes.set(foldPath(path), { path, content: text === null ? { bytes } : { text } });
    }
  }
  return { notes, problems };
}
