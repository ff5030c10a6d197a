import { withLinesAtEnd } from '../../../core/note/blocks/lines-at-end';
import { decodeUtf8 } from '../../../core/note/blocks/decode';
import { isPictureFile } from '../../../core/note/names/picture-path';
import { cleanPath, foldPath, isHidden, isNoteFile, isSealedPath, numbered } from '../../../core/note/names/path';
import { type Content, contentOf, markOf, sameContent } from '../content';
import type { WholeChange } from '../database';
import { failureSentence } from '../failure';
import type { NoteStore } from '../note-store';
import type { NoteWrite } from '../note-write';
import { SETTINGS_FILE } from '../../device/settings-file';
import { OUTSIDE_FILE } from '../../outside/outside-name';
import { EARLIER_FILE } from '../../keep/earlier-name';
import type { ImportFile } from './import-file';
import { IMPORT } from '../origin';

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
  /** Notes that were here and have more lines at their end now. */
  longer: string[];
  /** How many texts came in that notes had before. */
  earlier: number;
  stopped: boolean;
  /** Why the rest did not come in; null when nothing failed. */
  failed: string | null;
  /** The step that takes all of it back; null when nothing came in. */
  step: number | null;
}

const BATCH = 500;

/**
 * Takes files in as notes. Nothing that is there is ever overwritten. All that came in is one step of Undo.
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
  const report: ImportReport = {
    added: [],
    beside: [],
    same: [],
    asBytes: [],
    left: [],
    longer: [],
    settings: null,
    earlier: 0,
    stopped: false,
    failed: null,
    step: null,
  };
  const came: WholeChange[] = [];
  let batch: Arrival[] = [];
  let read = 0;
  let earlier: string | null = null;
  let outside: string | null = null;
  const lines: LinesForNote[] = [];
  const flush = async (): Promise<void> => {
    for (const { path, content } of await storeBatch(store, batch, report)) came.push(cameIn(path, content));
    batch = [];
    progress(read);
  };
  try {
    for await (const file of files) {
      if (signal.aborted) {
        report.stopped = true;
        break;
      }
      read++;
      if (nameOf(file.path) === EARLIER_FILE) {
        earlier = file.bytes && decodeUtf8(file.bytes);
        continue;
      }
      if (nameOf(file.path) === OUTSIDE_FILE) {
        outside = file.bytes && decodeUtf8(file.bytes);
        continue;
      }
      if (file.lines) {
        lines.push({ path: file.path, lines: file.lines });
        continue;
      }
      if (isPictureFile(file.path)) {
        await bringPicture(store, file, report);
        continue;
      }
      const arrival = sort(file, report);
      if (arrival) batch.push(arrival);
      if (read % BATCH === 0) await flush();
    }
    await flush();
    for (const one of lines) came.push(...(await addLines(store, one, report)));
    if (earlier !== null) report.earlier = await earlierOf(store, earlier, report);
    if (outside !== null) await outsideOf(store, outside, report);
  } catch (error) {
    report.failed = failureSentence(error);
  }
  if (came.length > 0)
    report.step = await store.steps
      .record({ ...IMPORT, label: `Import of ${came.length} ${came.length === 1 ? 'note' : 'notes'}` }, came)
      .catch(() => null);
  return report;
}

/** Puts a picture where it lay; it must be one. Another that lies there stays, and this one lies beside it. */
async function bringPicture(store: NoteStore, { path: given, bytes, problem }: ImportFile, report: ImportReport): Promise<void> {
  const path = cleanPath(given);
  const leave = (reason: string): void => void report.left.push({ path: given, reason });
  if (path === null) return leave('Its path leads out of the folder it came in.');
  if (bytes === null) return leave(problem ?? 'It could not be read.');
  if (isHidden(path) || path.startsWith('__MACOSX/')) return leave('It is a hidden file of the system.');
  const { bringIn } = await import('../../pictures/bring-in');
  const came = await bringIn(store, path, bytes);
  if (came.is === 'none') leave('It is called a picture, and is none that can be shown.');
  else if (came.is === 'same') report.same.push(path);
  else if (came.path === path) report.added.push(path);
  else report.beside.push({ from: path, path: came.path });
}

interface LinesForNote {
  path: string;
  lines: readonly string[];
}

/** Puts lines to the end of a note, which is made where it is not there; those that stand in it already stay out. Starts over when another tab wrote. */
async function addLines(store: NoteStore, { path, lines }: LinesForNote, report: ImportReport): Promise<WholeChange[]> {
  for (;;) {
    const note = await store.get(path);
    const before = note ? contentOf(note) : null;
    if (before && 'bytes' in before) {
      report.left.push({ path, reason: 'It is kept as bytes here, which take no lines.' });
      return [];
    }
    const text = withLinesAtEnd(before?.text ?? null, lines);
    if (text === before?.text) {
      report.same.push(path);
      return [];
    }
    if (!(await store.commit(IMPORT, [{ path, expect: before, content: { text } }])).saved) continue;
    if (before) report.longer.push(path);
    else report.added.push(path);
    return [{ path, before, after: { mark: markOf({ text }) }, demo: null }];
  }
}

/** Takes in the texts that notes had before, once the notes are here. */
async function earlierOf(store: NoteStore, json: string, report: ImportReport): Promise<number> {
  const { takeEarlier } = await import('../../keep/earlier-file');
  return takeEarlier(store.db, json).catch(() => {
    report.left.push({ path: EARLIER_FILE, reason: 'These earlier texts cannot be read.' });
    return 0;
  });
}

/** Takes in what hangs together with outside lists. */
async function outsideOf(store: NoteStore, json: string, report: ImportReport): Promise<void> {
  const { takeOutside } = await import('../../outside/outside-file');
  await takeOutside(store, json).catch(() =>
    report.left.push({ path: OUTSIDE_FILE, reason: 'What it says of outside lists cannot be read.' }),
  );
}

const nameOf = (path: string): string => path.slice(path.lastIndexOf('/') + 1);

/** A file that is a note, before it is known whether its path is free. */
interface Arrival {
  path: string;
  content: Content;
}

const cameIn = (path: string, content: Content): WholeChange => ({ path, before: null, after: { mark: markOf(content) }, demo: null });

/** Stores some notes, each where it finds a free path; what is here already is reported. Starts over when another tab took a path. */
async function storeBatch(store: NoteStore, batch: readonly Arrival[], report: ImportReport): Promise<Arrival[]> {
  for (;;) {
    const placed: { from: Arrival; path: string }[] = [];
    const same: string[] = [];
    const taken = new Map<string, Content>();
    const present = await store.many(batch.map(({ path }) => path));
    for (const [index, arrival] of batch.entries()) {
      const note = present[index];
      const path = note || taken.has(foldPath(arrival.path)) ? await placeBeside(store, arrival, taken) : arrival.path;
      if (path === null) {
        same.push(arrival.path);
        continue;
      }
      placed.push({ from: arrival, path });
      taken.set(foldPath(path), arrival.content);
    }
    const writes = placed.map(({ from, path }): NoteWrite => ({ path, expect: null, content: from.content }));
    if (writes.length > 0 && !(await store.commit(IMPORT, writes)).saved) continue;
    report.same.push(...same);
    for (const { from, path } of placed) {
      if (path === from.path) report.added.push(path);
      else report.beside.push({ from: from.path, path });
      if ('bytes' in from.content && !isSealedPath(path)) report.asBytes.push(path);
    }
    return placed.map(({ from, path }) => ({ path, content: from.content }));
  }
}

/** A free path for what arrived at a path that is taken; null when it is here already, byte for byte. */
async function placeBeside(store: NoteStore, { path, content }: Arrival, taken: ReadonlyMap<string, Content>): Promise<string | null> {
  for (let count = 1; ; count++) {
    const place = count === 1 ? path : numbered(path, count);
    const key = foldPath(place);
    const stored = taken.has(key) ? null : await store.get(place);
    const present = taken.get(key) ?? (stored && contentOf(stored));
    if (!present) return place;
    if (count === 1 && sameContent(present, content)) return null;
  }
}

/** Decides what becomes of one file, and notes it in the report. */
function sort(file: ImportFile, report: ImportReport): Arrival | null {
  const leave = (reason: string): null => {
    report.left.push({ path: file.path, reason });
    return null;
  };
  if (file.bytes === null) return leave(file.problem ?? 'It could not be read.');
  const path = cleanPath(file.path);
  if (path === null) return leave('Its path leads out of the folder it came in.');
  const name = nameOf(path);
  if (name === SETTINGS_FILE) {
    try {
      report.settings = JSON.parse(decodeUtf8(file.bytes) ?? '');
      return null;
    } catch {
      return leave('These settings cannot be read.');
    }
  }
  if (name.startsWith('.') || path.startsWith('__MACOSX/')) return leave('It is a hidden file of the system.');
  if (!isNoteFile(name)) return leave('It is no Markdown or text file.');
  const text = isSealedPath(path) ? null : decodeUtf8(file.bytes);
  return { path, content: text === null ? { bytes: file.bytes } : { text } };
}
