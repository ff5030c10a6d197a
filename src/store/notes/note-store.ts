import { dayOfDate } from '../../core/calendar/day';
import { type LineDays, daysAfter } from '../../core/note/facts/line-days';
import { foldPath } from '../../core/note/names/path';
import { type Content, type DemoState, type StoredNote, contentOf, newNoteId, sameContent } from './content';
import type { RecadoDatabase, WholeChange } from './database';
import { Listeners, reportProblem } from './listeners';
import type { CommitResult, NoteListener, NoteSource, Portion, StoreChange } from './note-source';
import type { NoteWrite } from './note-write';
import { type Opener, SEALED_LABEL, assertSealed, openedContent, openedNote, openedNotes, sealedWrites, touchesSealed } from './opener';
import { type Origin, UNDO } from './origin';
import { partsOf } from './parts';
import { storedNotes } from './read-notes';
import { EarlierTexts } from '../keep/earlier-texts';
import { Steps } from '../acting/steps';

/** What other tabs are told. */
interface Broadcast {
  paths?: string[];
  /** What made them change. */
  by?: Origin['by'];
  /** Old and new path of the notes that were moved. */
  moves?: [string, string][];
  value?: string;
}

/**
 * The one writer of notes. A commit is one transaction over all its notes: each must still hold what the writer
 * saw, or nothing is written. It resolves after the browser has made the transaction durable; a listener that
 * fails is reported, and changes nothing of that.
 */
export class NoteStore implements NoteSource {
  /** What this tab did, and Undo takes back. */
  readonly steps: Steps;
  /** What the notes held before. */
  readonly earlier: EarlierTexts;
  /** What opens notes that are sealed; null where nothing is. */
  opener: Opener | null = null;
  /** The notes as they lie there, sealed ones as files that nobody reads: for whatever takes them elsewhere. */
  readonly kept: NoteSource = {
    get: (path) => this.lying(path),
    text: async (path) => (await this.lying(path))?.text ?? null,
    many: (paths) => this.db.notes.bulkGet(paths.map(foldPath)),
    all: () => this.db.notes.toArray(),
    paths: () => this.paths(),
    portions: (size) => this.portions(size),
    commit: (origin, writes) => this.commitKept(origin, writes),
    reopen: (error) => this.reopen(error),
    listen: (listener) => this.listen(listener),
  };
  private readonly listeners: Listeners<NoteListener>;
  private readonly channel: BroadcastChannel | null;
  private writes = 0;
  /** How often this tab committed; what was read from the disk before is older than what was told then. */
  private commits = 0;

  constructor(
    readonly db: RecadoDatabase,
    /** Names the tab whose steps Undo takes back. */
    tab: string,
    private readonly now: () => number,
    /** Hears of errors that nobody waits for. */
    private readonly problem: (error: unknown) => void = reportProblem,
  ) {
    this.earlier = new EarlierTexts(db, now);
    this.listeners = new Listeners<NoteListener>(problem);
    this.steps = new Steps(db, tab, now, {
      commit: async (writes) => (await this.commit(UNDO, writes)).saved,
      writing: (write) => this.countWriting(write),
      opener: () => this.opener,
    });
    this.channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(`recado-${db.name}`);
    if (this.channel) this.channel.onmessage = (event: MessageEvent<Broadcast>) => void this.hear(event.data).catch(problem);
  }

  listen(listener: Partial<NoteListener>): () => void {
    return this.listeners.add(listener);
  }

  close(): void {
    this.channel?.close();
    this.db.close();
  }

  async get(path: string): Promise<StoredNote | null> {
    const note = await this.lying(path);
    return note && openedNote(this.opener, note);
  }

  private async lying(path: string): Promise<StoredNote | null> {
    return (await this.db.notes.get(foldPath(path))) ?? null;
  }

  async text(path: string): Promise<string | null> {
    return (await this.get(path))?.text ?? null;
  }

  async many(paths: readonly string[]): Promise<(StoredNote | undefined)[]> {
    return openedNotes(this.opener, await this.db.notes.bulkGet(paths.map(foldPath)));
  }

  /** Whether any note is as wanted; it looks no further than the first. */
  async has(wanted: (note: StoredNote) => boolean): Promise<boolean> {
    return (await this.db.notes.filter(wanted).first()) !== undefined;
  }

  portions(size: number): AsyncIterable<Portion> {
    return storedNotes(size, this.db.name);
  }

  reopen(error: unknown): Promise<boolean> {
    return this.db.reopen(error);
  }

  async all(): Promise<StoredNote[]> {
    return openedNotes(this.opener, await this.db.notes.toArray());
  }

  /** The folded paths of all notes, without their texts. */
  async paths(): Promise<ReadonlySet<string>> {
    return new Set(await this.db.notes.toCollection().primaryKeys());
  }

  /**
   * Writes notes as one step, where its origin has a label.
   *
   * @param beside what else is stored with them, whole or not at all
   */
  async commit(origin: Origin, writes: readonly NoteWrite[], beside?: () => PromiseLike<unknown>): Promise<CommitResult> {
    if (!touchesSealed(writes)) return this.commitAs(origin, writes, writes, beside);
    return this.countWriting(async () => {
      const sealed = await sealedWrites(this.opener, writes, await this.db.notes.bulkGet(writes.map(({ path }) => foldPath(path))));
      if ('conflict' in sealed) return { saved: false, ...sealed };
      return this.commitAs({ ...origin, label: origin.label && SEALED_LABEL }, sealed, writes, beside);
    });
  }

  /** Writes notes as they are to lie there, sealed ones as files. */
  commitKept(origin: Origin, writes: readonly NoteWrite[], beside?: () => PromiseLike<unknown>): Promise<CommitResult> {
    return this.commitAs(origin, writes, writes, beside);
  }

  /** @param writes as they are kept; `said` as their writer says them, and everybody hears them */
  private async commitAs(
    origin: Origin,
    writes: readonly NoteWrite[],
    said: readonly NoteWrite[],
    beside?: () => PromiseLike<unknown>,
  ): Promise<CommitResult> {
    const result = await this.countWriting(() => this.db.atomically(() => this.write(origin, writes, beside)));
    if (!result.saved) return result;
    // Something new was done: what was taken back cannot be done again any more.
    if (origin.label !== null && origin.by !== 'undo') this.steps.forgetUndone();
    this.tell(origin.by, said, result);
    return result;
  }

  private async write(origin: Origin, writes: readonly NoteWrite[], beside?: () => PromiseLike<unknown>): Promise<CommitResult> {
    const changes: WholeChange[] = [];
    const keys = writes.map((write) => foldPath(write.path));
    const places = new Map(keys.map((key, index) => [key, index]));
    const present = await this.db.notes.bulkGet(keys);
    const ids = writes.map(({ movedFrom, id }, index) => {
      const from = movedFrom === undefined ? undefined : places.get(foldPath(movedFrom));
      return present[index]?.id ?? (from === undefined ? undefined : present[from]?.id) ?? id ?? newNoteId();
    });
    for (const [index, write] of writes.entries()) {
      assertSealed(write.path, write.content);
      const note = present[index];
      const before = note ? contentOf(note) : null;
      if (!sameContent(before, write.expect)) return { saved: false, conflict: write.path };
      changes.push({
        path: note && write.content === null ? note.path : write.path,
        id: ids[index] ?? newNoteId(),
        before,
        after: write.content,
        demo: note?.demo ?? null,
        ...(write.movedFrom !== undefined && { movedFrom: write.movedFrom }),
      });
    }
    await this.earlier.keep(origin, writes, present);
    await this.db.notes.bulkDelete(keys.filter((_, index) => writes[index]?.content === null));
    const seen: (LineDays | null)[] = [];
    for (const part of partsOf([...writes.entries()])) {
      const records = part.flatMap(([index, write]) => {
        const from = write.movedFrom === undefined ? undefined : places.get(foldPath(write.movedFrom));
        const days = (seen[index] = this.seenAfter(write, present[from ?? index] ?? null));
        return this.record(write, ids[index] ?? newNoteId(), present[index]?.demo ?? null, days);
      });
      await this.db.notes.bulkPut(records);
    }
    await beside?.();
    const step = origin.label === null ? null : await this.steps.add({ ...origin, label: origin.label }, changes);
    return { saved: true, seen, step };
  }

  private seenAfter({ content }: NoteWrite, before: StoredNote | null): LineDays | null {
    if (content === null || !('text' in content)) return null;
    return daysAfter(before?.text ?? '', before?.seen ?? [], content.text, dayOfDate(new Date(this.now())));
  }

  private record(write: NoteWrite, id: string, demo: DemoState, seen: LineDays | null): StoredNote[] {
    const { path, content } = write;
    if (content === null) return [];
    return [
      {
        key: foldPath(path),
        id,
        path,
        text: 'text' in content ? content.text : null,
        bytes: 'bytes' in content ? content.bytes : null,
        changed: this.now(),
        demo: write.demo === undefined ? demo && 'edited' : write.demo,
        ...(seen && { seen }),
      },
    ];
  }

  /** An earlier text of a note, as whoever has opened its seal reads it; null where it was let go. */
  async earlierContent(id: number, path: string): Promise<Content | null> {
    const content = await this.earlier.content(id);
    return content && openedContent(this.opener, path, content);
  }

  /** A value beside the notes, such as the settings. */
  async value(id: string): Promise<unknown> {
    return (await this.db.values.get(id))?.value;
  }

  async setValue(id: string, value: unknown): Promise<void> {
    await this.changeValue(id, () => value);
  }

  /**
   * Changes a value from what it is, so that two tabs that change parts of it keep both.
   *
   * @returns the value as it is then
   */
  async changeValue<T>(id: string, change: (present: unknown) => T): Promise<T> {
    const next = await this.countWriting(() =>
      this.db.transaction('rw', this.db.values, async () => {
        const value = change((await this.db.values.get(id))?.value);
        await this.db.values.put({ id, value });
        return value;
      }),
    );
    this.post({ value: id });
    this.listeners.tell((one) => one.valueChanged?.(id));
    return next;
  }

  /** Files beside the notes changed, as pictures: whoever shows them or keeps them in step looks again, in every tab. */
  async tellFiles(paths: readonly string[], by: Origin['by']): Promise<void> {
    this.post({ paths: [...paths], by });
    await this.tellAsTheyAre(paths, by);
  }

  private tell(by: Origin['by'], writes: readonly NoteWrite[], { seen, step }: Extract<CommitResult, { saved: true }>): void {
    this.commits++;
    const paths = writes.map((write) => write.path);
    const moves = writes.flatMap(({ path, movedFrom }): [string, string][] => (movedFrom === undefined ? [] : [[movedFrom, path]]));
    this.post({ paths, by, ...(moves.length > 0 && { moves }) });
    if (step !== null) this.listeners.tell((one) => one.stepped?.({ id: step, paths, by }));
    const changes = writes.map(({ path, content }, index) => ({ path, content, seen: seen[index] ?? null, by, elsewhere: false }));
    // What came as a file that can be opened is heard by its words; meanwhile it may have become another.
    if (touchesSealed(writes) && writes.some(({ content }) => content && 'bytes' in content))
      void this.tellAsTheyAre(paths, by, moves).catch(this.problem);
    else this.tellChanges(changes, moves);
  }

  /** Everybody hears notes as they are now: they came from elsewhere, or a seal was opened or closed. */
  async tellAsTheyAre(
    paths: readonly string[],
    by: Origin['by'],
    moves: readonly [string, string][] = [],
    elsewhere = false,
  ): Promise<void> {
    const keys = paths.map(foldPath);
    let notes: (StoredNote | undefined)[];
    let read: number;
    do {
      read = this.commits;
      notes = await openedNotes(this.opener, await this.db.notes.bulkGet(keys));
      // What this tab wrote meanwhile was told already, and is newer than what was read.
    } while (read !== this.commits);
    const changes = paths.map((path, index) => {
      const note = notes[index];
      return { path: note?.path ?? path, content: note ? contentOf(note) : null, seen: note?.seen ?? null, by, elsewhere };
    });
    this.tellChanges(changes, moves);
  }

  private async hear({ paths, by = 'typing', moves = [], value }: Broadcast): Promise<void> {
    if (value !== undefined) this.listeners.tell((one) => one.valueChanged?.(value));
    if (paths) await this.tellAsTheyAre(paths, by, moves, true);
  }

  private tellChanges(changes: readonly StoreChange[], moves: readonly [string, string][]): void {
    const to = new Map(moves.map(([from, path]) => [foldPath(from), path]));
    const told = changes.map((change): StoreChange => {
      const movedTo = change.content === null ? to.get(foldPath(change.path)) : undefined;
      return movedTo === undefined ? change : { ...change, movedTo };
    });
    this.listeners.tell((one) => one.changed?.(told));
  }

  /** Other tabs hear of it; should that fail, what is stored stays stored. */
  private post(message: Broadcast): void {
    try {
      this.channel?.postMessage(message);
    } catch (error) {
      this.problem(error);
    }
  }

  private async countWriting<T>(write: () => PromiseLike<T>): Promise<T> {
    this.countWrites(1);
    try {
      return await write();
    } finally {
      this.countWrites(-1);
    }
  }

  private countWrites(by: 1 | -1): void {
    this.writes += by;
    this.listeners.tell((one) => one.writing?.(this.writes));
  }
}
