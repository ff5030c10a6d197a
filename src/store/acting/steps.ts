import { baseNameOf, foldPath, isSealedPath } from '../../core/note/names/path';
import { type Content, type StoredNote, sameContent } from '../notes/content';
import type { RecadoDatabase, Step, StepChange, WholeChange } from '../notes/database';
import type { NoteWrite } from '../notes/note-write';
import { type StepOrigin, TYPING } from '../notes/origin';
import { type Opener, assertSealed, openedChanges, openedNotes, sealedContent } from '../notes/opener';
import { kept, wholeText } from './step-parts';

/** What became of taking a step back. */
export type Taken = { undone: string } | { refused: string };

/** What steps need of the store whose they are. */
interface StepsHost {
  /** Writes notes without making a step; false where a note is another by now. */
  commit: (writes: readonly NoteWrite[]) => Promise<boolean>;
  /** Counts a write that is under way. */
  writing: <T>(write: () => PromiseLike<T>) => Promise<T>;
  /** What opens sealed notes, of which steps hold what they were as files. */
  opener: () => Opener | null;
}

/** So many steps of a tab can be taken back. */
const MOST_STEPS = 200;
/** So many are kept of all tabs together, closed ones too, and so long, in milliseconds: 30 days. */
const MOST_OF_ALL = 1000;
const LONGEST = 30 * 24 * 60 * 60 * 1000;

/** The steps of one tab, which Undo takes back and Redo does again: one a commit, and one a run of typing. */
export class Steps {
  /** What else belongs to a step, by its number. */
  private readonly afterwards = new Map<number, () => void>();
  /** Steps that were taken back, the last one last, with what does them again; until something else is done. */
  private undone: { step: Step; again: WholeChange[] }[] = [];
  private turn: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly db: RecadoDatabase,
    private readonly tab: string,
    private readonly now: () => number,
    private readonly host: StepsHost,
  ) {}

  /** Adds a step within a transaction that is under way; gives its number. */
  add({ by, label }: StepOrigin, changes: readonly WholeChange[]): Promise<number> {
    const small = changes.map((change) => ({ ...change, ...kept(change.before, change.after) }));
    return this.put({ tab: this.tab, label, at: this.now(), changes: small, by });
  }

  private async put(step: Step): Promise<number> {
    for (const { path, before, after } of step.changes) for (const side of [before, after]) assertSealed(path, side);
    const id = await this.db.steps.add(step);
    const keys = await this.db.steps.where('tab').equals(this.tab).primaryKeys();
    if (keys.length > MOST_STEPS) await this.db.steps.bulkDelete(keys.slice(0, keys.length - MOST_STEPS));
    // Every now and then what closed tabs left is looked at; the numbers of steps rise with time.
    if (id % 20 === 0) await this.prune();
    return id;
  }

  /** Lets go of what is old, and of the oldest where all tabs together, closed ones too, have too many. */
  async prune(): Promise<void> {
    const { steps } = this.db;
    const over = (await steps.count()) - MOST_OF_ALL;
    if (over > 0) await steps.bulkDelete(await steps.orderBy('id').limit(over).primaryKeys());
    const latest = this.now() - LONGEST;
    const old: number[] = [];
    await steps
      .orderBy('id')
      .until(({ at }) => at >= latest)
      .each(({ id }) => void (id !== undefined && old.push(id)));
    await steps.bulkDelete(old);
  }

  /**
   * Adds a step for what is stored already, so that Undo takes it back whole.
   *
   * @returns its number
   */
  record(origin: StepOrigin, changes: readonly WholeChange[]): Promise<number> {
    return this.host.writing(() => this.db.transaction('rw', this.db.steps, () => this.add(origin, changes)));
  }

  /**
   * Makes a step of what was typed in a note and is stored.
   *
   * @param continues whether it goes on from the newest step, where that is typing too; what only takes it back leaves none
   */
  async recordTyping(path: string, before: Content | null, after: Content, continues: boolean): Promise<void> {
    const last = continues ? await this.last() : null;
    const [change] = last?.changes ?? [];
    const grows = last?.by === 'typing' && change && foldPath(change.path) === foldPath(path) && sameContent(change.after, before);
    if (grows && last.id !== undefined) await this.db.steps.delete(last.id);
    const from = grows ? asItWas(change.before, before) : before;
    if (sameContent(from, after)) return;
    const id = (await this.db.notes.get(foldPath(path)))?.id;
    const about = { path, ...(id !== undefined && { id }), demo: null };
    if (!isSealedPath(path)) {
      await this.record({ ...TYPING, label: `Typing in “${baseNameOf(path)}”` }, [{ ...about, before: from, after }]);
      return;
    }
    const opener = this.host.opener();
    const sealed = { before: from && (await sealedContent(opener, path, from)), after: await sealedContent(opener, path, after) };
    await this.record({ ...TYPING, label: 'Typing in a sealed note' }, [{ ...about, ...sealed }]);
  }

  /** The newest step of this tab, without taking it back. */
  async last(): Promise<Step | null> {
    const step = await this.newest();
    return step ? { ...step, changes: (await openedChanges(this.host.opener(), step.changes)) ?? step.changes } : null;
  }

  private newest(): Promise<Step | undefined> {
    return this.db.steps.where('tab').equals(this.tab).last();
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
    return found !== null && (await this.db.notes.get(foldPath(found))) ? found : null;
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
        const step = await this.newest();
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

  /** Does something more when a step is taken back in this tab, by whatever way, as long as the page is open. */
  whenTakenBack(id: number, then: () => void): void {
    this.afterwards.set(id, then);
  }

  /** Null when nothing was left to do, as when the editor's own undo already took it back. */
  private async takeBack(step: Step): Promise<Taken | null> {
    const changes = await openedChanges(this.host.opener(), step.changes);
    if (!changes) return { refused: 'This was done in a sealed note, whose seal is closed. Open it, then undo.' };
    const done = await this.carry(step.label, changes);
    if ('refused' in done) return done;
    if (step.id !== undefined) {
      await this.db.steps.delete(step.id);
      this.afterwards.get(step.id)?.();
      this.afterwards.delete(step.id);
    }
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
      await this.put(last.step);
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
  private async carry(label: string, changes: readonly StepChange[]): Promise<{ again: WholeChange[] } | { refused: string }> {
    for (;;) {
      const notes = await openedNotes(this.host.opener(), await this.notesOf(changes));
      const writes = (await import('./step-writes')).inverseWrites(label, changes, notes);
      if ('refused' in writes) return writes;
      const again = writes.map(({ path, expect, content, demo, movedFrom, id }): WholeChange => ({
        path,
        ...(id !== undefined && { id }),
        before: expect,
        after: content,
        demo: demo ?? null,
        ...(movedFrom !== undefined && { movedFrom }),
      }));
      if (writes.length === 0 || (await this.host.commit(writes))) return { again };
    }
  }

  /** The notes that some changes are about, in their order: one that only changed is found by its id, wherever it was moved since. */
  private async notesOf(changes: readonly StepChange[]): Promise<(StoredNote | undefined)[]> {
    const there = await this.db.notes.bulkGet(changes.map(({ path }) => foldPath(path)));
    return Promise.all(
      changes.map(async ({ id, before, after, movedFrom }, index) => {
        const note = there[index];
        const stays = id !== undefined && after !== null && movedFrom === undefined && (before !== null || !note);
        return stays && note?.id !== id ? ((await this.db.notes.where('id').equals(id).first()) ?? note) : note;
      }),
    );
  }
}

/** What a note held before a step, given what it held after it. */
function asItWas(before: StepChange['before'], after: Content | null): Content | null {
  if (before === null || !('part' in before)) return before;
  return after && 'text' in after ? { text: wholeText(before, after.text) } : null;
}
