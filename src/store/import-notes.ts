import { decodeUtf8 } from '../core/note/decode';
import { cleanPath, foldPath, freePath } from '../core/note/path';
import { type Content, sameContent, contentOf } from './database';
import type { NoteStore } from './note-store';
import type { NoteWrite } from './note-write';

/** A file from outside; `bytes` is null when it could not be read, and `problem` says why. */
export interface ImportFile {
  path: string;
  bytes: Uint8Array | null;
  problem?: string;
}

/** What became of an import. Paths are those of the notes that came in. */
export interface ImportReport {
  /** Notes that came in under their own path. */
  added: string[];
  /** Notes whose path was taken by another text: they stand beside it under a number. */
  beside: { from: string; path: string }[];
  /** Files that are here already, byte for byte. */
  same: string[];
  /** Files that are no UTF-8: kept as bytes, read-only. They are among `added` or `beside` too. */
  asBytes: string[];
  /** Files that did not come in, and why. */
  left: { path: string; reason: string }[];
  /** The settings of an export, if there were any. */
  settings: unknown;
  stopped: boolean;
}

/** The file of an export that holds the settings. */
export const SETTINGS_FILE = 'recado-settings.json';

const NOTE_ENDING = /\.(?:md|markdown|txt)$/i;
const BATCH = 200;

/**
 * Takes files in as notes. Nothing that is there is ever overwritten.
 *
 * @param progress called after each batch with the number of files read
 * @param signal stops the import; what came in until then stays, and is reported
 */
export async function importNotes(
  files: AsyncIterable<ImportFile> | Iterable<ImportFile>,
  store: NoteStore,
  progress: (read: number) => void,
  signal: AbortSignal,
): Promise<ImportReport> {
  const report: ImportReport = { added: [], beside: [], same: [], asBytes: [], left: [], settings: null, stopped: false };
  const present = new Map((await store.all()).map((note) => [note.key, contentOf(note)]));
  let writes: NoteWrite[] = [];
  let read = 0;
  const flush = async (): Promise<void> => {
    if (writes.length > 0) {
      const result = await store.commit(null, writes);
      if (!result.saved) throw new Error(`${result.conflict} was written elsewhere during the import.`);
    }
    writes = [];
    progress(read);
  };
  for await (const file of files) {
    if (signal.aborted) {
      report.stopped = true;
      break;
    }
    read++;
    const write = sort(file, present, report);
    if (write) writes.push(write);
    if (read % BATCH === 0) await flush();
  }
  await flush();
  return report;
}

/** Decides what becomes of one file, and notes it in the report. */
function sort(file: ImportFile, present: Map<string, Content>, report: ImportReport): NoteWrite | null {
  const leave = (reason: string): null => {
    report.left.push({ path: file.path, reason });
    return null;
  };
  if (file.bytes === null) return leave(file.problem ?? 'It could not be read.');
  const path = cleanPath(file.path);
  if (path === null) return leave('Its path leads out of the folder it came in.');
  const name = path.slice(path.lastIndexOf('/') + 1);
  if (name === SETTINGS_FILE) {
    try {
      report.settings = JSON.parse(decodeUtf8(file.bytes) ?? '');
      return null;
    } catch {
      return leave('These settings cannot be read.');
    }
  }
  if (name.startsWith('.') || path.startsWith('__MACOSX/')) return leave('It is a hidden file of the system.');
  if (!NOTE_ENDING.test(name)) return leave('It is no Markdown or text file.');
  return place(path, file.bytes, present, report);
}

function place(path: string, bytes: Uint8Array, present: Map<string, Content>, report: ImportReport): NoteWrite | null {
  const text = decodeUtf8(bytes);
  const content: Content = text === null ? { bytes } : { text };
  const here = present.get(foldPath(path)) ?? null;
  if (sameContent(here, content)) {
    report.same.push(path);
    return null;
  }
  const target = freePath(path, (folded) => present.has(folded));
  if (target === path) report.added.push(path);
  else report.beside.push({ from: path, path: target });
  if (text === null) report.asBytes.push(target);
  present.set(foldPath(target), content);
  return { path: target, expect: null, content };
}
