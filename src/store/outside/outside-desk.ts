import { outsidePath } from '../../core/note/names/outside-path';
import type { OutsideListing } from '../../core/sharing/outside/outside-task';
import type { FaceMore } from '../../core/sharing/outside/vtodo';
import type { ActionContext } from '../../core/task/acts/action-context';
import { refOf } from '../../core/task/line/ref';
import { NoteActions } from '../acting/note-actions';
import { RecadoDatabase } from '../notes/database';
import { NoteStore } from '../notes/note-store';
import { OUTSIDE } from '../notes/origin';
import { OUTSIDE_NAME } from '../notes/schema';
import { type OwnChanges, withOwnLines } from './own-list';
import { type OutsideAccount, type OutsideList, keyOf, newRecord } from './outside-record';
import { tellSeen } from './seen-lists';

/** A task that is put onto a list: its line, as `- [ ] Weigh the crate {due 2026-11-27; ref k3f9qa}`, and what stands under it there. */
export interface PutTask {
  line: string;
  ref: string;
  /** Null for nothing but the task. */
  more: FaceMore | null;
}

/** The notes of the outside lists with what acts on them, and what is known of the lists: a store beside that of the notes. */
export class OutsideDesk {
  readonly actions: NoteActions;

  private constructor(
    /** The notes. */
    private readonly store: NoteStore,
    /** The notes of the lists. */
    readonly own: NoteStore,
    private readonly context: () => ActionContext,
  ) {
    this.actions = new NoteActions(own, context);
  }

  /**
   * Opens it; where there is none yet it is made.
   *
   * @param tab names the tab whose steps Undo takes back
   */
  static async open(store: NoteStore, tab: string, context: () => ActionContext): Promise<OutsideDesk> {
    const db = new RecadoDatabase(OUTSIDE_NAME);
    // Who deletes it means it: nothing of it is written into the next one.
    db.on('versionchange', () => {
      db.abandon();
      return false;
    });
    await db.openOwn();
    return new OutsideDesk(store, new NoteStore(db, tab, () => Date.now()), context);
  }

  get db(): RecadoDatabase {
    return this.own.db;
  }

  /** Follows a list from now on, under a name of its own. */
  async follow(account: OutsideAccount, { id, title }: OutsideListing, name: string): Promise<void> {
    const list: OutsideList = {
      ...{ name, title, account, id, token: null, at: null, trouble: null, until: null, told: [], lost: [], problems: [] },
    };
    await this.db.outsideLists.put(list);
    await this.tell();
  }

  /** The address, name and key by which a list is reached are others now. */
  async changeAccount(name: string, account: OutsideAccount): Promise<void> {
    await this.db.outsideLists.update(name, { account, trouble: null, until: null });
    await this.tell();
  }

  async accountOf(name: string): Promise<OutsideAccount | null> {
    return (await this.db.outsideLists.get(name))?.account ?? null;
  }

  /** Follows a list no more. What stands there stays, and so do the lines of notes. */
  async leave(name: string): Promise<void> {
    const { outsideLists, outsideTasks } = this.db;
    await this.db.transaction('rw', outsideLists, outsideTasks, async () => {
      await outsideLists.delete(name);
      await outsideTasks.where('list').equals(name).delete();
    });
    const note = await this.own.get(outsidePath(name));
    if (note) await this.own.commit(OUTSIDE, [{ path: note.path, expect: { text: note.text ?? '' }, content: null }]);
    await this.tell();
  }

  /** Tells all tabs how the lists are. */
  tell(): Promise<void> {
    return tellSeen(this.store, this.db);
  }

  /**
   * Puts tasks onto a list; they go there with the next look. One that is on it stays as it is.
   *
   * @param label what Undo says of it; null where it belongs to a step of the notes
   * @returns the step among those of the lists; null for none
   */
  async put(list: string, tasks: readonly PutTask[], label: string | null): Promise<number | null> {
    const there = new Set((await this.linesOf(list)).map(refOf));
    const news = tasks.filter(({ ref }) => !there.has(ref));
    const known = await this.db.outsideTasks.bulkGet(news.map(({ ref }) => keyOf(list, ref)));
    // One that was taken off and did not go yet is back.
    await this.db.outsideTasks.bulkPut(
      news.map(({ ref, more }, at) => ({ ...(known[at] ?? newRecord(list, ref, `recado-${ref}`)), more, dropped: false, own: null })),
    );
    const step =
      news.length === 0 ? null : await this.change(list, label, () => ({ lines: new Map(), added: news.map(({ line }) => line) }));
    await this.tell();
    return step;
  }

  /** Takes tasks off a list, as their refs are known here; they go there too with the next look. */
  async takeOff(list: string, refs: ReadonlySet<string>): Promise<void> {
    await this.change(list, null, (lines) => ({
      lines: new Map(lines.flatMap((raw, line) => (refs.has(refOf(raw) ?? '') ? [[line, null]] : []))),
      added: [],
    }));
  }

  private async linesOf(list: string): Promise<string[]> {
    return ((await this.own.text(outsidePath(list))) ?? '').split('\n');
  }

  /** Changes lines of the note of a list, from what it is then. */
  private async change(list: string, label: string | null, wanted: (lines: readonly string[]) => OwnChanges): Promise<number | null> {
    const path = outsidePath(list);
    for (;;) {
      const note = await this.own.get(path);
      const before = note?.text ?? '';
      const text = withOwnLines(before, wanted(before.split('\n')));
      if (text === before) return null;
      const expect = note ? { text: before } : null;
      const result = await this.own.commit({ by: 'command', label }, [{ path, expect, content: { text } }]);
      if (result.saved) return result.step;
    }
  }

  /** A ref that no task has. */
  makeRef(): string {
    return this.context().makeRef();
  }
}
