import { dayOfDate } from '../core/calendar/day';
import { type LineDays, daysAfter } from '../core/note/line-days';
import { foldPath } from '../core/note/path';
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
import { mergeTexts } from './merge';

/** One note to write: what it must hold now, and what it is to hold; null for no note. */
export interface NoteWrite {
  path: string;
  /** What the writer believes is there; the commit fails when something else is. */
  expect: Content | null;
  content: Content | null;
  /** The path that the note had before it was moved; its lines were seen when they were seen there. */
  movedFrom?: string;
  /** What the note is to the demo; when left out, a note of the demo counts as edited. */
  demo?: DemoState;
}

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
}

export type SaveState = { is: 'saved' } | { is: 'saving' } | { is: 'failed'; message: string };

interface Listener {
  /** This tab did a step, which Undo takes back; told before its changes. */
  stepped(step: { id: number; paths: readonly string[] }): void;
  changed(changes: readonly StoreChange[]): void;
  saving(state: SaveState): void;
  valueChanged(id: string): void;
}

interface Broadcast {
  paths?: string[];
  value?: string;
}

const MOST_STEPS = 200;

/**
 * The one writer of notes. A commit is one transaction over all its notes: each must still hold what the writer
 * saw, or nothing is written. It resolves after the browser has made the transaction durable.
 */
export class NoteStore {
  private readonly listeners = new Set<Partial<Listener>>();
  private readonly channel: BroadcastChannel | null;
  private writing = 0;
  /** Steps that were taken back, the last one last; they can be done again until something else is done. */
  private undone: Step[] = [];

  constructor(
    readonly db: RecadoDatabase,
    /** Names the tab whose steps Undo takes back. */
    private readonly tab: string,
    private readonly now: () => number,
  ) {
    this.channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(`recado-${db.name}`);
    if (this.channel) this.channel.onmessage = (event: MessageEvent<Broadcast>) => void this.hear(event.data);
  }

  listen(listener: Partial<Listener>): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
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
   */
  async commit(label: string | null, writes: readonly NoteWrite[], keepsUndone = false): Promise<CommitResult> {
    this.saveState({ is: 'saving' }, 1);
    try {
      const result = await this.db.transaction('rw', this.db.notes, this.db.steps, () => this.write(label, writes));
      if (result.saved && label !== null && !keepsUndone) this.undone = [];
      if (result.saved) this.tell(writes, result);
      this.saveState({ is: 'saved' }, -1);
      return result;
    } catch (error) {
      this.saveState({ is: 'failed', message: failure(error) }, -1);
      throw error;
    }
  }

  private async write(label: string | null, writes: readonly NoteWrite[]): Promise<CommitResult> {
    const changes: StepChange[] = [];
    const present = await this.db.notes.bulkGet(writes.map((write) => foldPath(write.path)));
    for (const [index, write] of writes.entries()) {
      const note = present[index];
      const before = note ? contentOf(note) : null;
      if (!sameContent(before, write.expect)) return { saved: false, conflict: write.path };
      changes.push({
        path: note && write.content === null ? note.path : write.path,
        before,
        after: write.content,
        demo: note?.demo ?? null,
      });
    }
    const gone = writes.filter((write) => write.content === null).map((write) => foldPath(write.path));
    await this.db.notes.bulkDelete(gone);
    const seen = writes.map((write, index) => {
      const from = write.movedFrom === undefined ? -1 : writes.findIndex((one) => foldPath(one.path) === foldPath(write.movedFrom ?? ''));
      return this.seenAfter(write, (from === -1 ? present[index] : present[from]) ?? null);
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

  /** The newest step of this tab, without taking it back. */
  async lastStep(): Promise<Step | null> {
    return (await this.db.steps.where('tab').equals(this.tab).last()) ?? null;
  }

  /**
   * Takes the newest step of this tab back, whole, or refuses with the reason. What others changed meanwhile on
   * other lines stays.
   *
   * @param only the step that is meant; nothing is done when another is the newest
   */
  async undo(only?: number): Promise<{ undone: string } | { refused: string } | null> {
    for (;;) {
      const step = await this.lastStep();
      if (!step || (only !== undefined && step.id !== only)) return null;
      const done = await this.carry(step, step.changes);
      if (done === 'again') continue;
      if (typeof done === 'object') return done;
      // Nothing was left to do when the editor's own undo already took it back.
      if (done) this.undone.push(step);
      if (step.id !== undefined) await this.db.steps.delete(step.id);
      if (done) return { undone: step.label };
    }
  }

  /**
   * Does the step of this tab that was taken back last again, or refuses with the reason.
   *
   * @param only the step that is meant; nothing is done when another was taken back last
   */
  async redo(only?: number): Promise<{ redone: string } | { refused: string } | null> {
    const step = this.undone.at(-1);
    if (!step || (only !== undefined && step.id !== only)) return null;
    const again = step.changes.map((change) => ({ ...change, before: change.after, after: change.before }));
    let done = await this.carry(step, again);
    while (done === 'again') done = await this.carry(step, again);
    if (typeof done === 'object') return done;
    this.undone.pop();
    // With its number, by which others know it; steps that came later were taken back before it.
    await this.addStep(step);
    return { redone: step.label };
  }

  /** Something new is being done: what was taken back cannot be done again any more. */
  forgetUndone(): void {
    this.undone = [];
  }

  /** Brings notes from what a step made of them to what they were; whether anything changed. */
  private async carry(step: Step, changes: readonly StepChange[]): Promise<boolean | 'again' | { refused: string }> {
    const writes = await this.inverse(step.label, changes);
    if ('refused' in writes) return writes;
    if (writes.length === 0) return false;
    return (await this.commit(null, writes, true)).saved || 'again';
  }

  private async inverse(label: string, changes: readonly StepChange[]): Promise<NoteWrite[] | { refused: string }> {
    const writes: NoteWrite[] = [];
    for (const change of changes) {
      const note = await this.get(change.path);
      const present = note ? contentOf(note) : null;
      if (sameContent(present, change.before)) continue;
      let target = change.before;
      if (!sameContent(present, change.after)) {
        const merged = mergeBack(present, change);
        if (merged === null) {
          return { refused: `“${label}” cannot be undone: ${change.path} was changed at the same place since.` };
        }
        target = { text: merged };
      }
      writes.push({ path: change.path, expect: present, content: target, demo: change.demo });
    }
    return writes;
  }

  /** A value beside the notes, such as the settings. */
  async value(id: string): Promise<unknown> {
    return (await this.db.values.get(id))?.value;
  }

  async setValue(id: string, value: unknown): Promise<void> {
    this.saveState({ is: 'saving' }, 1);
    try {
      await this.db.values.put({ id, value });
      this.saveState({ is: 'saved' }, -1);
    } catch (error) {
      this.saveState({ is: 'failed', message: failure(error) }, -1);
      throw error;
    }
    this.channel?.postMessage({ value: id } satisfies Broadcast);
    for (const listener of this.listeners) listener.valueChanged?.(id);
  }

  private tell(writes: readonly NoteWrite[], { seen, step }: { seen: readonly (LineDays | null)[]; step: number | null }): void {
    const paths = writes.map((write) => write.path);
    this.channel?.postMessage({ paths } satisfies Broadcast);
    if (step !== null) for (const listener of this.listeners) listener.stepped?.({ id: step, paths });
    const changes = writes.map(({ path, content }, index) => ({ path, content, seen: seen[index] ?? null, elsewhere: false }));
    for (const listener of this.listeners) listener.changed?.(changes);
  }

  private async hear({ paths, value }: Broadcast): Promise<void> {
    if (value !== undefined) for (const listener of this.listeners) listener.valueChanged?.(value);
    if (!paths) return;
    const notes = await this.db.notes.bulkGet(paths.map(foldPath));
    const changes = paths.map((path, index) => {
      const note = notes[index];
      return { path: note?.path ?? path, content: note ? contentOf(note) : null, seen: note?.seen ?? null, elsewhere: true };
    });
    for (const listener of this.listeners) listener.changed?.(changes);
  }

  private saveState(state: SaveState, step: 1 | -1): void {
    this.writing += step;
    if (state.is === 'saved' && this.writing > 0) return;
    for (const listener of this.listeners) listener.saving?.(state);
  }
}

function mergeBack(present: Content | null, change: StepChange): string | null {
  const { before, after } = change;
  if (!present || !before || !after) return null;
  if (!('text' in present) || !('text' in before) || !('text' in after)) return null;
  return mergeTexts(after.text, present.text, before.text);
}

function failure(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'QuotaExceededError') return 'The disk is full: the last change is not saved. Make room, then type on.';
  if (name === 'DatabaseClosedError' || name === 'InvalidStateError')
    return 'The browser closed the store: the last change is not saved. Copy your text out and reload the page.';
  return 'The last change could not be saved. Copy your text out and reload the page.';
}
