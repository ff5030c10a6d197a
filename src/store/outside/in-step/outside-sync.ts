import { shelfOf } from '../../../core/index/live/shelf';
import { type SharedTask, sameTask } from '../../../core/sharing/outside/shared-task';
import { outsidePath } from '../../../core/note/names/outside-path';
import type { ActionContext } from '../../../core/task/acts/action-context';
import { type LineTask, actOnLines } from '../../../core/task/acts/act-on-lines';
import { writesOf } from '../../acting/writes-of';
import type { StoredNote } from '../../notes/content';
import type { NoteStore } from '../../notes/note-store';
import { OUTSIDE } from '../../notes/origin';
import { type FaceLine, faceLines } from '../face-lines';
import { moreFor } from '../face-more';
import type { JoinedNotes } from './joined-notes';
import { lookThere } from './look-there';
import type { OutsideList, ToldBoth } from '../outside-record';
import type { OutsideRemote } from '../outside-remote';
import { type Pairs, pairLines } from './pair-lines';
import { pushThere } from './push-there';
import { RecordBook } from '../record-book';
import { type Settled, afterLine, settled } from './settle-record';
import { ownTasks, writeOwn } from './write-own';

/** What a look works with. */
export interface OutsideGiven {
  /** The notes. */
  store: NoteStore;
  /** The notes of the outside lists, and what is known of their tasks. */
  own: NoteStore;
  remote: OutsideRemote;
  joined: JoinedNotes;
  context: () => ActionContext;
  /** Milliseconds since 1970. */
  now: () => number;
  /** The address under which the notes are open in the browser. */
  origin: string;
}

/** So often a look goes on at once with what it brought about itself. */
const MOST_ROUNDS = 5;
/** So many changes on both sides are told. */
const MOST_TOLD = 30;

/**
 * Keeps outside lists in step: looks what changed there, brings both faces of each task together, and sends what changed here. Each part is kept
 * before the next begins, so that whatever ends it, the next look goes on from there.
 */
export class OutsideSync {
  private readonly read = new Map<string, { changed: number; text: string | null; lines: FaceLine[] }>();

  constructor(private readonly given: OutsideGiven) {}

  /**
   * One look at all lists.
   *
   * @param isAsked whether a person asks for it: then also a service is asked that wanted to be left alone
   */
  async pass(isAsked = false): Promise<void> {
    const { own, remote, now, context } = this.given;
    const book = await RecordBook.read(own.db);
    const { makeRef } = context();
    for (const list of [...book.lists]) await lookThere(isAsked ? { ...list, until: null } : list, book, remote, now(), makeRef);
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const isMore = await this.bringTogether(book);
      let isOther = false;
      for (const list of [...book.lists]) if (list.trouble === null) isOther = (await pushThere(list, book, remote, now())) || isOther;
      if (!isMore && !isOther) break;
      // Something else was there than was seen: it is looked at, and brought together with what is here.
      if (isOther) for (const list of [...book.lists]) if (list.trouble === null) await lookThere(list, book, remote, now(), makeRef);
    }
  }

  /**
   * Brings the lines of all notes together with what is known of the other faces; no service is asked.
   *
   * @returns whether there is more to bring together now
   */
  private async bringTogether(book: RecordBook): Promise<boolean> {
    const { own, joined, context } = this.given;
    const { settings, makeRef } = context();
    await book.lookAtLists();
    const notes = await joined.read();
    const lines = this.joinedLines(notes);
    const ownNotes = new Map<string, StoredNote | null>();
    for (const { name } of book.lists) ownNotes.set(name, await own.get(outsidePath(name)));
    const ownLines = new Map([...ownNotes].map(([name, note]) => [name, ownTasks(note, settings)]));
    const pairs = await pairLines(book, lines, ownLines, joined, makeRef);
    const plans = this.plans(book, pairs);
    // What is about to be ticked is kept before: a repeat goes on once, whatever happens.
    for (const { record } of plans.values()) book.put(record);
    // What a person changed meanwhile is compared anew.
    if (await book.keep()) return true;
    const refused = await this.changeLines(notes, book, pairs, plans);
    let isMore = pairs.tasks.length > 0 || refused === null;
    for (const { name } of book.lists)
      isMore = !(await writeOwn(name, ownNotes.get(name) ?? null, own, book, pairs, plans, settings)) || isMore;
    await book.keep();
    for (const list of [...book.lists]) await this.keepTold(list, book, pairs, plans, refused ?? []);
    return isMore;
  }

  /** The joined lines of notes; of one that did not change since it was read last, as they were read. */
  private joinedLines(notes: readonly StoredNote[]): FaceLine[] {
    const { settings } = this.given.context();
    return notes.flatMap((note) => {
      const known = this.read.get(note.path);
      if (known && known.changed === note.changed && known.text === note.text) return known.lines;
      const lines = faceLines(note, (task) => task.joined !== null, settings);
      this.read.set(note.path, { changed: note.changed, text: note.text, lines });
      return lines;
    });
  }

  /** What becomes of each task that has a line and another face. */
  private plans(book: RecordBook, pairs: Pairs): Map<string, Settled> {
    const plans = new Map<string, Settled>();
    for (const { name } of book.lists)
      for (const record of book.of(name)) {
        const line = pairs.lines.get(record.key);
        if (!line || record.isGone || record.dropped || record.asks !== null) continue;
        plans.set(record.key, settled(record, line, record.joined ? (pairs.own.get(record.key) ?? null) : null, this.given.now()));
      }
    return plans;
  }

  /**
   * Does to the lines of notes what is to be done, and keeps what came over.
   *
   * @returns the lines that could not be made to say what they should; null where a note was changed meanwhile
   */
  private async changeLines(
    notes: readonly StoredNote[],
    book: RecordBook,
    pairs: Pairs,
    plans: ReadonlyMap<string, Settled>,
  ): Promise<{ list: string; path: string }[] | null> {
    const tasks: LineTask[] = [...pairs.tasks];
    for (const [key, { record, intentions }] of plans) {
      const line = record.joined && intentions.length > 0 ? pairs.lines.get(key) : undefined;
      if (line) tasks.push({ ref: { path: line.path, line: line.line, expected: line.raw }, intentions });
    }
    const after = await this.act(notes, tasks);
    const fresh = new Map(after?.map((line) => [`${line.path}\n${line.ref}`, line]));
    const refused: { list: string; path: string }[] = [];
    for (const [key, plan] of plans) {
      const { record, intentions, wanted } = plan;
      const before = pairs.lines.get(key);
      // What comes over to the note of a list is kept once it stands there.
      if (!record.joined) continue;
      const line = before && (intentions.length === 0 ? before : fresh.get(`${before.path}\n${record.ref}`));
      if (!before || !line) continue;
      if (line.raw === before.raw && intentions.length > 0 && !sameTask(line.shared, wanted)) {
        refused.push({ list: record.list, path: line.path });
        book.put({ ...record, ticking: null, here: line.shared });
        continue;
      }
      pairs.lines.set(key, line);
      const more = moreFor(this.given.origin, line.path, line.detail, record.ref);
      const next = afterLine(plan, line.shared);
      const isSameMore = next.more?.description === more.description && next.more.url === more.url;
      book.put({ ...next, here: line.shared, more: isSameMore ? next.more : more });
    }
    return after === null ? null : refused;
  }

  /** @returns the joined lines as they stand then; null where a note was changed meanwhile, so that it is done at the next look */
  private async act(notes: readonly StoredNote[], tasks: readonly LineTask[]): Promise<FaceLine[] | null> {
    if (tasks.length === 0) return [];
    const { store, context } = this.given;
    const writes = writesOf(notes, await actOnLines(shelfOf(notes), tasks, context()));
    if (writes.length > 0 && !(await store.commit(OUTSIDE, writes)).saved) return null;
    const paths = [...new Set(tasks.map(({ ref }) => ref.path))];
    return this.joinedLines((await store.many(paths)).flatMap((note) => note ?? []));
  }

  /** What is to be told of a list is kept with it. */
  private async keepTold(
    list: OutsideList,
    book: RecordBook,
    pairs: Pairs,
    plans: ReadonlyMap<string, Settled>,
    refused: readonly { list: string; path: string }[],
  ): Promise<void> {
    const both = [...plans.values()]
      .filter(({ record }) => record.list === list.name)
      .flatMap((plan) => plan.both)
      // What could not go there yet is found again at the next look, and told once.
      .filter((one) => !list.told.some((before) => isToldAlike(before, one)));
    const problems = [
      ...pairs.problems.filter((one) => one.list === list.name).map(({ path, why }) => ({ path, why })),
      ...refused.filter((one) => one.list === list.name).map(({ path }) => ({ path, why: REFUSED })),
      ...book
        .of(list.name)
        .flatMap(({ isUnread, path, there }) => (isUnread ? [{ path: path ?? outsidePath(list.name), why: unread(there) }] : [])),
    ];
    const lost = pairs.lost.filter((one) => one.list === list.name).map(({ line }) => line);
    if (both.length === 0 && JSON.stringify([list.problems, list.lost]) === JSON.stringify([problems, lost])) return;
    await book.keep({ ...list, told: [...both, ...list.told].slice(0, MOST_TOLD), problems, lost });
  }
}

const isToldAlike = (one: ToldBoth, other: ToldBoth): boolean => JSON.stringify({ ...one, at: 0 }) === JSON.stringify({ ...other, at: 0 });

const unread = (there: SharedTask | null): string =>
  `What lies there of “${there?.words ?? ''}” cannot be read. Both sides stay as they were until it can.`;

const REFUSED = 'What changed on the list cannot be written into this line.';
