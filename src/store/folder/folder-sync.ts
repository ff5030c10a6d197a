import { isPictureFile } from '../../core/note/names/picture-path';
import { decodeUtf8 } from '../../core/note/blocks/decode';
import { cleanPath, foldPath, isSealedPath } from '../../core/note/names/path';
import { type Content, type StoredNote, contentOf, markOf, sameContent } from '../notes/content';
import type { NoteSource } from '../notes/note-source';
import type { NoteWrite } from '../notes/note-write';
import type { Opener } from '../notes/opener';
import { FOLDER } from '../notes/origin';
import { besideIt, bothIn } from './both-sides';
import { type DiskFile, type DiskFolder, sameFile } from './disk-folder';
import { folderFailure } from './folder-failure';
import type { InSteps } from './in-step';
import { type SyncReport, newReport } from './sync-report';
import { WrittenLately } from './written-lately';

/** So many notes are committed at once. */
const BATCH = 500;
/** So many files are read or written at once. */
const AT_ONCE = 16;
/** Beyond so many a whole look costs less. */
const MOST_GLANCED = 1000;
/** A look that finds more of the files gone than this asks first: the disk may only be away. */
const MANY_GONE = 10;
const PART_GONE = 0.3;

/** What is to become of a note, decided from what both sides hold. */
interface Arrival {
  key: string;
  write: NoteWrite;
  /** What both hold when it is stored. */
  now: { file: DiskFile; content: Content } | null;
  into: (report: SyncReport) => void;
}

/** What stands in a file: it, and what it holds. */
interface Held {
  file: DiskFile;
  content: Content;
}

/**
 * Keeps notes and the files of a folder the same, by what they were when they were the same last. A change on one side goes over; what both
 * changed is merged, or where that cannot be done the file's text stands beside. Nothing is ever written over that was not seen before.
 */
export class FolderSync {
  /** Notes that changed here since they were looked at, by key; null for all. */
  private dirty: Set<string> | null = null;
  private readonly lately: WrittenLately;

  constructor(
    private readonly store: NoteSource,
    private readonly folder: DiskFolder,
    private readonly steps: InSteps,
    /** What opens sealed notes, where both sides changed one; they come and go as they lie. */
    private readonly opener: () => Opener | null = () => null,
  ) {
    this.lately = new WrittenLately(folder.unseenFor);
  }

  /** A note changed here. */
  touched(path: string): void {
    this.dirty?.add(foldPath(path));
  }

  /**
   * Looks at the folder and brings both sides together.
   *
   * @param confirmed whether notes go although very many files are gone
   * @throws where the folder cannot be looked at
   */
  async pass(confirmed = false): Promise<SyncReport> {
    const report = newReport();
    const look = await this.folder.look();
    report.ignored.push(...look.ignored);
    report.warned.push(...(look.warned ?? []));
    const files = new Map<string, DiskFile>();
    for (const file of look.files) {
      if (!canBeNote(file.path)) {
        report.ignored.push({ path: file.path, why: 'No note can have this name.' });
        continue;
      }
      const key = foldPath(file.path);
      const twin = files.get(key);
      const step = this.steps.get(key);
      // Of two names that are one note, the one that is in step is meant.
      const [meant, other] = twin && step?.path === file.path ? [file, twin] : [twin ?? file, file];
      files.set(key, meant);
      if (twin) report.ignored.push({ path: other.path, why: `It has the name of ${meant.path}, but for small and capital letters.` });
    }
    const gone = [...this.steps.values()].filter(({ key }) => !files.has(key)).map(({ key }) => key);
    return this.bring(files, gone, report, confirmed);
  }

  /**
   * Looks only at the files of notes that changed here, and at some that are said to have changed there.
   *
   * @param paths as the disk has them
   */
  async glance(paths: readonly string[] = []): Promise<SyncReport> {
    if (this.dirty === null || this.dirty.size + paths.length > MOST_GLANCED) return this.pass();
    const report = newReport();
    const files = new Map<string, DiskFile>();
    const asked = new Map([...this.dirty].map((key) => [key, this.steps.get(key)?.path ?? key]));
    for (const path of paths.filter(canBeNote)) asked.set(foldPath(path), this.steps.get(foldPath(path))?.path ?? path);
    for (const [key, path] of asked) {
      const note = this.steps.get(key) ? null : await this.store.get(path);
      const file = await this.folder.stat(note?.path ?? path);
      if (file) files.set(key, file);
    }
    const gone = [...asked.keys()].filter((key) => this.steps.get(key) && !files.has(key));
    return this.bring(files, gone, report, false);
  }

  private async bring(
    files: ReadonlyMap<string, DiskFile>,
    gone: readonly string[],
    report: SyncReport,
    confirmed: boolean,
  ): Promise<SyncReport> {
    try {
      return await this.brought(files, gone, report, confirmed);
    } catch (error) {
      // What was not done is not known any more: all is compared the next time.
      this.dirty = null;
      throw error;
    }
  }

  private async brought(
    files: ReadonlyMap<string, DiskFile>,
    gone: readonly string[],
    report: SyncReport,
    confirmed: boolean,
  ): Promise<SyncReport> {
    const dirty = this.dirty ?? (await this.allKeys());
    this.dirty = new Set();
    // A name that only became another by its capital letters is a change too.
    const isNew = (key: string, file: DiskFile): boolean => !sameFile(file, this.steps.get(key)) || file.path !== this.steps.get(key)?.path;
    const changed = [...files].filter(([key, file]) => isNew(key, file)).map(([key]) => key);
    const moved = await this.moves(gone, changed, files);
    const removals = gone.filter((key) => !moved.has(key));
    const asked = !confirmed && removals.length > Math.max(MANY_GONE, PART_GONE * this.steps.size);
    if (asked) report.asks = removals.length;
    const left = new Set([...moved].flat());
    const keys = new Set(
      [...dirty, ...changed, ...(asked ? [] : removals)].filter(
        (key) => !left.has(key) && !(asked && !files.has(key) && this.steps.get(key)),
      ),
    );
    await this.settleMoves(moved, files, report);
    await this.settleAll([...keys], files, report);
    // What could not be done now is done at the next look.
    for (const { path } of report.failed) this.dirty.add(foldPath(path));
    return report;
  }

  private async allKeys(): Promise<Set<string>> {
    const keys = new Set<string>();
    for await (const { notes } of this.store.portions(BATCH))
      for (const note of notes) if (this.steps.get(note.key)?.mark !== markOf(contentOf(note))) keys.add(note.key);
    const present = await this.store.paths();
    for (const { key } of this.steps.values()) if (!present.has(key)) keys.add(key);
    return keys;
  }

  /** Files that went and came with equal bytes in one look: the old key, and the new one. */
  private async moves(
    gone: readonly string[],
    changed: readonly string[],
    files: ReadonlyMap<string, DiskFile>,
  ): Promise<Map<string, string>> {
    const moves = new Map<string, string>();
    if (gone.length === 0) return moves;
    const byMark = new Map<string, string[]>();
    for (const key of gone) {
      const mark = this.steps.get(key)?.mark ?? '';
      byMark.set(mark, [...(byMark.get(mark) ?? []), key]);
    }
    const sizes = new Set(gone.map((key) => this.steps.get(key)?.size));
    for (const key of changed) {
      const file = files.get(key);
      if (this.steps.get(key) || !file || !sizes.has(file.size) || (await this.store.get(file.path))) continue;
      const held = await this.read(file.path).catch(() => null);
      const from = held && byMark.get(markOf(held.content))?.shift();
      if (from !== undefined && from !== null) moves.set(from, key);
    }
    return moves;
  }

  private async settleMoves(moves: ReadonlyMap<string, string>, files: ReadonlyMap<string, DiskFile>, report: SyncReport): Promise<void> {
    for (const [from, to] of moves) {
      const file = files.get(to);
      const step = this.steps.get(from);
      if (!file || !step) continue;
      await this.guarded(file.path, report, async () => {
        const [note, held] = [await this.store.get(step.path), await this.read(file.path)];
        const path = cleanPath(file.path);
        if (!held || path === null) return;
        // Where the note went meanwhile, the file is a new one.
        if (!note) return this.settleAll([from, to], files, report);
        const content = contentOf(note);
        const saved = await this.store.commit(FOLDER, [
          { path: note.path, expect: content, content: null },
          { path, expect: null, content, movedFrom: note.path },
        ]);
        if (!saved.saved) return;
        await this.steps.put([
          { key: from, now: null },
          { key: to, now: held },
        ]);
        report.cameIn.push(path);
        // What was changed here goes into the file at its new place.
        if (markOf(content) !== markOf(held.content)) await this.settleAll([to], files, report);
      });
    }
  }

  private async settleAll(keys: readonly string[], files: ReadonlyMap<string, DiskFile>, report: SyncReport): Promise<void> {
    for (let at = 0; at < keys.length; at += BATCH) {
      const some = keys.slice(at, at + BATCH);
      const notes = await this.store.many(some.map((key) => this.steps.get(key)?.path ?? files.get(key)?.path ?? key));
      const arrivals: Arrival[] = [];
      const known: Parameters<InSteps['put']>[0][number][] = [];
      const one = async (key: string, index: number): Promise<void> => {
        const path = notes[index]?.path ?? files.get(key)?.path ?? this.steps.get(key)?.path ?? key;
        await this.guarded(path, report, async () => {
          const outcome = await this.settle(key, files.get(key) ?? null, notes[index] ?? null, report);
          if (!outcome) return;
          if ('write' in outcome) arrivals.push(outcome);
          else known.push(outcome);
        });
      };
      // Reading waits for the disk: some are read at once.
      for (let from = 0; from < some.length; from += AT_ONCE)
        await Promise.all(some.slice(from, from + AT_ONCE).map((key, index) => one(key, from + index)));
      await this.commit(arrivals, report);
      if (known.length > 0) await this.steps.put(known);
    }
  }

  /** Stores what came from the folder: together where that can be done, else one by one, so that one that changed meanwhile keeps no other out. */
  private async commit(arrivals: readonly Arrival[], report: SyncReport): Promise<void> {
    if (arrivals.length === 0) return;
    const store = async (some: readonly Arrival[]): Promise<boolean> =>
      (
        await this.store.commit(
          FOLDER,
          some.map(({ write }) => write),
        )
      ).saved;
    let done = arrivals;
    if (!(await store(arrivals))) {
      const saved: Arrival[] = [];
      for (const one of arrivals) {
        if (await store([one])) saved.push(one);
        else this.dirty?.add(one.key);
      }
      done = saved;
    }
    await this.steps.put(done.map(({ key, now }) => ({ key, now })));
    for (const { into } of done) into(report);
  }

  /** Decides about one note and its file, and does what is done on the disk; what is to be stored is given. */
  private async settle(
    key: string,
    file: DiskFile | null,
    note: StoredNote | null,
    report: SyncReport,
  ): Promise<Arrival | { key: string; now: Held | null } | null> {
    const step = this.steps.get(key);
    const isOld = step !== null && sameFile(file, step);
    const before = step?.mark ?? null;
    const here = note && contentOf(note);
    const markHere = here && markOf(here);
    // A file that did not change since need not be read.
    if (isOld && markHere !== before) return this.goesOut(key, note, file, report);
    if (isOld && here && file) return { key, now: { file, content: here } };
    const held = file && (await this.read(file.path));
    // It went while it was looked at.
    if (file && !held) return null;
    const markThere = held && markOf(held.content);
    if (markHere === markThere) return { key, now: held };
    // An empty file that was never in step says nothing: it was made by a write that did not come to its end.
    const isUnsaid = step === null && note !== null && held !== null && held.file.size === 0;
    if (markThere === before || isUnsaid) return this.goesOut(key, note, held && held.file, report);
    const unseen = this.lately.grownFrom(key, here, held);
    if (markHere === before && !unseen) return this.comesIn(key, note, held);
    if (!note || !held) {
      report.stayed.push(note?.path ?? file?.path ?? key);
      return note ? this.goesOut(key, note, null, report) : this.comesIn(key, note, held);
    }
    return this.together(key, note, held, unseen ?? (await this.known(key)), report);
  }

  /** The file gets what the note says, or goes with it. */
  private async goesOut(
    key: string,
    note: StoredNote | null,
    before: DiskFile | null,
    report: SyncReport,
  ): Promise<{ key: string; now: Held | null } | null> {
    if (!note) {
      if (before && !(await this.folder.remove(before.path, before))) return null;
      report.removed.push(before?.path ?? key);
      return { key, now: null };
    }
    const content = contentOf(note);
    const path = before?.path ?? note.path;
    const file = await this.folder.write(path, bytesOf(content), before);
    if (!file) {
      this.dirty?.add(key);
      return null;
    }
    if (before) await this.lately.put(key, () => this.known(key), file);
    report.wentOut.push(path);
    return { key, now: { file, content } };
  }

  /** The note gets what the file says, or goes with it. */
  private comesIn(key: string, note: StoredNote | null, held: Held | null): Arrival | null {
    const path = note?.path ?? (held && cleanPath(held.file.path));
    if (path === null || path === undefined) return null;
    return {
      key,
      write: { path, expect: note && contentOf(note), content: held && held.content },
      now: held,
      into: (report) => void (held ? report.cameIn : report.removed).push(path),
    };
  }

  /** Both changed since a text: they are merged line by line, or the file's text stands beside the note. */
  private async together(
    key: string,
    note: StoredNote,
    held: Held,
    grownFrom: Content | null,
    report: SyncReport,
  ): Promise<Arrival | null> {
    const here = contentOf(note);
    const content = await bothIn(this.opener(), note.path, grownFrom, here, held.content);
    if (content === 'closed') {
      report.failed.push({ path: note.path, why: CLOSED });
      return null;
    }
    if (content === null) {
      // The file's text is stored here before the file is written over.
      const other = await besideIt(this.store, note.path, grownFrom, held.content);
      if (other.writes.length > 0 && !(await this.store.commit(FOLDER, other.writes)).saved) {
        this.dirty?.add(key);
        return null;
      }
      report.beside.push({ path: note.path, other: other.path });
      this.dirty?.add(foldPath(other.path));
    } else {
      const saved = sameContent(content, here) || (await this.store.commit(FOLDER, [{ path: note.path, expect: here, content }])).saved;
      if (!saved) {
        this.dirty?.add(key);
        return null;
      }
      report.merged.push(note.path);
    }
    const both = content ?? here;
    const file = await this.folder.write(held.file.path, bytesOf(both), held.file);
    if (file) {
      await this.lately.put(key, () => Promise.resolve(held.content), file);
      await this.steps.put([{ key, now: { file, content: both } }]);
    } else this.dirty?.add(key);
    return null;
  }

  /** What both sides held last. */
  private async known(key: string): Promise<Content | null> {
    return this.steps.get(key) && (await this.steps.content(key));
  }

  private async read(path: string): Promise<Held | null> {
    const found = await this.folder.read(path);
    if (!found) return null;
    const text = isSealedPath(path) || isPictureFile(path) ? null : decodeUtf8(found.bytes);
    return { file: found.file, content: text === null ? { bytes: found.bytes } : { text } };
  }

  /** What fails with one file keeps no other out. */
  private async guarded(path: string, report: SyncReport, act: () => Promise<void>): Promise<void> {
    try {
      await act();
    } catch (error) {
      report.failed.push({ path, why: folderFailure(error) });
    }
  }
}

const CLOSED = 'It is sealed, and both sides changed it: they are brought together once its seal is open in the tab that was opened first.';

/** Whether the name of a file can be that of a note: then the note is found by it again. */
const canBeNote = (path: string): boolean => cleanPath(path) === path.normalize('NFC');

const bytesOf = (content: Content): Uint8Array => ('text' in content ? new TextEncoder().encode(content.text) : content.bytes);
