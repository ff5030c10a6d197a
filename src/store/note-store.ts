import Dexie from 'dexie';
import { dayOfDate } from '../core/calendar/day';
import { type LineDays, daysAfter } from '../core/note/line-days';
import { baseNameOf, foldPath } from '../core/note/path';
import {
  type Content,
  type DemoState,
  type RecadoDatabase,
  type Step,
  type StepChange,
  type StoredNote,
  contentOf,
  sameContent,
} from './database';
import { isStoreClosed } from './failure';
import { Listeners, reportProblem } from './listeners';
import type { NoteWrite } from './note-write';
import { inverseWrites } from './step-writes';

/** `step` is what Undo takes back; null when there is none. */
export type CommitResult = { saved: true; seen: (LineDays | null)[]; step: number | null } | { saved: false; conflict: string };

/** A note that changed, in this tab or another. */
export interface StoreChange {
  path: string;
  content: Content | null;
  /** When its lines were seen first; null for no note. */
  seen: LineDays | null;
  /** Whether another tab wrote it. */
  elsewhere: boolean;
  /** Where the note is now, when it went from this path because it was moved. */
  movedTo?: string;
}

interface Listener {
  /** This tab did a step, which Undo takes back; told before its changes. */
  stepped(step: { id: number; paths: readonly string[] }): void;
  changed(changes: readonly StoreChange[]): void;
  /** How many writes are on their way to the disk. */
  writing(count: number): void;
  valueChanged(id: string): void;
}

/** What other tabs are told. */
interface Broadcast {
  paths?: string[];
  /** Old and new path of the notes that were moved. */
  moves?: [string, string][];
  value?: string;
}

export type Taken = { undone: string } | { refused: string };

const MOST_STEPS = 200;

/**
 * The one writer of notes. A commit is one transaction over all its notes: each must still hold what the writer
 * saw, or nothing is written. It resolves after the browser has made the transaction durable; a listener that
 * fails is reported, and changes nothing of that.
 */
export class NoteStore {
  private readonly listeners: Listeners<Listener>;
  private readonly channel: BroadcastChannel | null;
  private writes = 0;
  private abandoned = false;
  /** How often this tab committed; what was read from the disk before is older than what was told then. */
  private commits = 0;
  /** Steps that were taken back, the last one last, with what does them again; until something else is done. */
  private undone: { step: Step; again: StepChange[] }[] = [];
  private turn: Promise<unknown> = Promise.resolve();

  constructor(
    readonly db: RecadoDatabase,
    /** Names the tab whose steps Undo takes back. */
    private readonly tab: string,
    private readonly now: () => number,
    /** Hears of errors that nobody waits for. */
    private readonly problem: (error: unknown) => void = reportProblem,
  ) {
    this.listeners = new Listeners<Listener>(problem);
    this.channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(`recado-${db.name}`);
    if (this.channel) this.channel.onmessage = (event: MessageEvent<Broadcast>) => void this.hear(event.data).catch(problem);
  }

  listen(listener: Partial<Listener>): () => void {
    return this.listeners.add(listener);
  }

  close(): void {
    this.channel?.close();
    this.db.close();
  }

  async get(path: string): Promise<StoredNote | null> {
    return (await this.db.notes.get(foldPath(path))) ?? null;
  }

  async text(path: string): Promise<string | null> {
    return (await this.get(path))?.text ?? null;
  }

  all(): Promise<StoredNote[]> {
    return this.db.notes.toArray();
  }

  /**
   * Writes notes as one step.
   *
   * @param label what Undo says, such as “Done: Book the scissor lift”; null when Undo leaves it out
   * @param keepsUndone whether steps that were taken back can still be done again although this is a new one
   * @throws what the browser says when it could not write; nothing is changed then
   */
  async commit(label: string | null, writes: readonly NoteWrite[], keepsUndone = false): Promise<CommitResult> {
    const result = await this.countWriting(() => this.transact(() => this.write(label, writes)));
    if (!result.saved) return result;
    if (label !== null && !keepsUndone) this.undone = [];
    this.tell(writes, result);
    return result;
  }

  /**
   * Runs a transaction. Where the browser aborts it, the library only says that it was aborted; why stands on the transaction, a moment
   * later.
   */
  private async transact<T>(act: () => Promise<T>): Promise<T> {
    let aborted: IDBTransaction | null = null;
    try {
      return await this.db.transaction('rw', this.db.notes, this.db.steps, () => {
        aborted = Dexie.currentTransaction.idbtrans;
        return act();
      });
    } catch (error) {
      const why = aborted && (await reasonOf(aborted));
      throw why ? new Error('The browser aborted the write.', { cause: [why, error] }) : error;
    }
  }

  /**
   * Opens the store again where an error says that the browser closed it; not after `abandon`.
   *
   * @returns whether trying again makes sense now
   */
  async reopen(error: unknown): Promise<boolean> {
    if (this.abandoned || !isStoreClosed(error)) return false;
    try {
      this.db.close({ disableAutoOpen: false });
      await this.db.open();
      return true;
    } catch (problem) {
      this.problem(problem);
      return false;
    }
  }

  /** Somebody deleted or renewed the store: nothing is written into it any more. */
  abandon(): void {
    this.abandoned = true;
    this.db.close();
  }

  private async write(label: string | null, writes: readonly NoteWrite[]): Promise<CommitResult> {
    const changes: StepChange[] = [];
    const keys = writes.map((write) => foldPath(write.path));
    const present = await this.db.notes.bulkGet(keys);
    for (const [index, write] of writes.entries()) {
      const note = present[index];
      const before = note ? contentOf(note) : null;
      if (!sameContent(before, write.expect)) return { saved: false, conflict: write.path };
      changes.push({
        path: note && write.content === null ? note.path : write.path,
        before,
        after: write.content,
        demo: note?.demo ?? null,
        ...(write.movedFrom !== undefined && { movedFrom: write.movedFrom }),
      });
    }
    await this.db.notes.bulkDelete(keys.filter((_, index) => writes[index]?.content === null));
    const places = new Map(keys.map((key, index) => [key, index]));
    const seen = writes.map((write, index) => {
      const from = write.movedFrom === undefined ? undefined : places.get(foldPath(write.movedFrom));
      return this.seenAfter(write, present[from ?? index] ?? null);
    });
    await this.db.notes.bulkPut(writes.flatMap((write, index) => this.record(write, present[index]?.demo ?? null, seen[index] ?? null)));
    const step = label === null ? null : await this.addStep({ tab: this.tab, label, at: this.now(), changes });
    return { saved: true, seen, step };
  }

  private seenAfter({ content }: NoteWrite, before: StoredNote | null): LineDays | null {
    if (content === null || !('text' in content)) return null;
    return daysAfter(before?.text ?? '', before?.seen ?? [], content.text, dayOfDate(new Date(this.now())));
  }

  private record(write: NoteWrite, demo: DemoState, seen: LineDays | null): StoredNote[] {
    const { path, content } = write;
    if (content === null) return [];
    return [
      {
        key: foldPath(path),
        path,
        text: 'text' in content ? content.text : null,
        bytes: 'bytes' in content ? content.bytes : null,
        changed: this.now(),
        demo: write.demo === undefined ? demo && 'edited' : write.demo,
        ...(seen && { seen }),
      },
    ];
  }

  private async addStep(step: Step): Promise<number> {
    const id = await this.db.steps.add(step);
    const keys = await this.db.steps.where('tab').equals(this.tab).primaryKeys();
    if (keys.length > MOST_STEPS) await this.db.steps.bulkDelete(keys.slice(0, keys.length - MOST_STEPS));
    return id;
  }

  /**
   * Adds a step for what is stored already, so that Undo takes it back whole.
   *
   * @returns its number
   */
  recordStep(label: string, changes: StepChange[], typed = false): Promise<number> {
    const step: Step = { tab: this.tab, label, at: this.now(), changes, ...(typed && { typed }) };
    return this.countWriting(() => this.db.transaction('rw', this.db.steps, () => this.addStep(step)));
  }

  /**
   * Makes a step of what was typed in a note and is stored.
   *
   * @param continues whether it goes on from the newest step, where that is typing too; what only takes it back leaves none
   */
  async recordTyping(path: string, before: Content | null, after: Content, continues: boolean): Promise<void> {
    const last = continues ? await this.lastStep() : null;
    const [change] = last?.changes ?? [];
    const grows = last?.typed && change && foldPath(change.path) === foldPath(path) && sameContent(change.after, before);
    if (grows && last.id !== undefined) await this.db.steps.delete(last.id);
    const from = grows ? change.before : before;
    if (!sameContent(from, after))
      await this.recordStep(`Typing in “${baseNameOf(path)}”`, [{ path, before: from, after, demo: null }], true);
  }

  /** The newest step of this tab, without taking it back. */
  async lastStep(): Promise<Step | null> {
    return (await this.db.steps.where('tab').equals(this.tab).last()) ?? null;
  }

  /** Where a note is that was moved away from a path, by any tab; null when it was not moved, or is gone there too. */
  async whereWent(path: string): Promise<string | null> {
    const key = foldPath(path);
    let found: string | null = null;
    await this.db.steps
      .reverse()
      .until(() => found !== null)
      .each(({ changes }) => {
        const move = changes.find(({ movedFrom }) => movedFrom !== undefined && foldPath(movedFrom) === key);
        if (move) found = move.path;
      });
    return found !== null && (await this.get(found)) ? found : null;
  }

  /**
   * Takes the newest step of this tab back, whole, or refuses with the reason. What others changed meanwhile on
   * other lines stays.
   *
   * @param only the step that is meant; nothing is done when another is the newest
   */
  undo(only?: number): Promise<Taken | null> {
    return this.inTurn(async () => {
      for (;;) {
        const step = await this.lastStep();
        if (!step || (only !== undefined && step.id !== only)) return null;
        const taken = await this.takeBack(step);
        if (taken !== null) return taken;
      }
    });
  }

  /**
   * Takes one step back, also when others came after it; null when that was done already.
   *
   * @example the Undo of a message takes back what the message is about
   */
  undoStep(id: number): Promise<Taken | null> {
    return this.inTurn(async () => {
      const step = await this.db.steps.get(id);
      return step ? this.takeBack(step) : null;
    });
  }

  /** Null when nothing was left to do, as when the editor's own undo already took it back. */
  private async takeBack(step: Step): Promise<Taken | null> {
    const done = await this.carry(step.label, step.changes);
    if ('refused' in done) return done;
    if (step.id !== undefined) await this.db.steps.delete(step.id);
    if (done.again.length === 0) return null;
    this.undone.push({ step, again: done.again });
    return { undone: step.label };
  }

  /**
   * Does the step of this tab that was taken back last again, or refuses with the reason.
   *
   * @param only the step that is meant; nothing is done when another was taken back last
   */
  redo(only?: number): Promise<{ redone: string } | { refused: string } | null> {
    return this.inTurn(async () => {
      const last = this.undone.at(-1);
      if (!last || (only !== undefined && last.step.id !== only)) return null;
      const done = await this.carry(last.step.label, last.again);
      if ('refused' in done) return done;
      this.undone = this.undone.filter((one) => one !== last);
      // With its number, by which others know it; steps that came later were taken back before it.
      await this.addStep(last.step);
      return { redone: last.step.label };
    });
  }

  /** Undo and Redo are done one after the other, however fast they are asked for. */
  private inTurn<T>(act: () => Promise<T>): Promise<T> {
    const result = this.turn.then(act, act);
    this.turn = result;
    return result;
  }

  /** Something new is being done: what was taken back cannot be done again any more. */
  forgetUndone(): void {
    this.undone = [];
  }

  /** Brings notes from what a step made of them to what they were; `again` is what does it once more. */
  private async carry(label: string, changes: readonly StepChange[]): Promise<{ again: StepChange[] } | { refused: string }> {
    for (;;) {
      const notes = await this.db.notes.bulkGet(changes.map(({ path }) => foldPath(path)));
      const writes = inverseWrites(label, changes, notes);
      if ('refused' in writes) return writes;
      const again = writes.map(({ path, expect, content, demo, movedFrom }): StepChange => ({
        path,
        before: expect,
        after: content,
        demo: demo ?? null,
        ...(movedFrom !== undefined && { movedFrom }),
      }));
      if (writes.length === 0 || (await this.commit(null, writes, true)).saved) return { again };
    }
  }

  /** A value beside the notes, such as the settings. */
  async value(id: string): Promise<unknown> {
    return (await this.db.values.get(id))?.value;
  }

  async setValue(id: string, value: unknown): Promise<void> {
    await this.countWriting(() => this.db.values.put({ id, value }));
    this.post({ value: id });
    this.listeners.tell((one) => one.valueChanged?.(id));
  }

  private tell(writes: readonly NoteWrite[], { seen, step }: { seen: readonly (LineDays | null)[]; step: number | null }): void {
    this.commits++;
    const paths = writes.map((write) => write.path);
    const moves = writes.flatMap(({ path, movedFrom }): [string, string][] => (movedFrom === undefined ? [] : [[movedFrom, path]]));
    this.post({ paths, ...(moves.length > 0 && { moves }) });
    if (step !== null) this.listeners.tell((one) => one.stepped?.({ id: step, paths }));
    const changes = writes.map(({ path, content }, index) => ({ path, content, seen: seen[index] ?? null, elsewhere: false }));
    this.tellChanges(changes, moves);
  }

  private async hear({ paths, moves = [], value }: Broadcast): Promise<void> {
    if (value !== undefined) this.listeners.tell((one) => one.valueChanged?.(value));
    if (!paths) return;
    const keys = paths.map(foldPath);
    let notes: (StoredNote | undefined)[];
    let read: number;
    do {
      read = this.commits;
      notes = await this.db.notes.bulkGet(keys);
      // What this tab wrote meanwhile was told already, and is newer than what was read.
    } while (read !== this.commits);
    const changes = paths.map((path, index) => {
      const note = notes[index];
      return { path: note?.path ?? path, content: note ? contentOf(note) : null, seen: note?.seen ?? null, elsewhere: true };
    });
    this.tellChanges(changes, moves);
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

/** How long a transaction that failed may take to say why, in milliseconds. */
const SAYS_WHY = 150;

/** Why the browser aborted a transaction; null when it does not say. */
function reasonOf(transaction: IDBTransaction): Promise<DOMException | null> {
  return new Promise((resolve) => {
    if (transaction.error) return resolve(transaction.error);
    transaction.addEventListener('abort', () => resolve(transaction.error));
    setTimeout(() => resolve(transaction.error), SAYS_WHY);
  });
}
