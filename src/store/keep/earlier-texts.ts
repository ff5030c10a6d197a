import { foldPath } from '../../core/note/names/path';
import { thinned } from '../../core/keep/thinning';
import { type Content, type StoredNote, contentOf, sameContent } from '../notes/content';
import type { RecadoDatabase } from '../notes/database';
import type { NoteWrite } from '../notes/note-write';
import type { Origin } from '../notes/origin';
import { partsOf } from '../notes/parts';
import type { EarlierText } from './earlier-text';

/** A text that stood so long while somebody typed is kept, in milliseconds. */
const PAUSE = 2 * 60 * 1000;
/** Without a pause, one so often. */
const OFTEN = 10 * 60 * 1000;

/** However few notes there are, earlier texts may take this: 5 MB. */
const LEAST_ROOM = 5_000_000;

/** What the store holds of one kind. */
export interface KindSize {
  count: number;
  /** In characters, or bytes of what is no text. */
  size: number;
}

/** The texts that notes had before: kept with each step, and of typing by its pauses. */
export class EarlierTexts {
  /** When a text was kept last of each note that is typed into here. */
  private readonly lastKept = new Map<string, number>();

  constructor(
    private readonly db: RecadoDatabase,
    private readonly now: () => number,
  ) {}

  /** Keeps what notes held, within the transaction that changes them: in two writes, since what is nested deeper loses the transaction. */
  async keep({ by, label }: Origin, writes: readonly NoteWrite[], present: readonly (StoredNote | undefined)[]): Promise<void> {
    const notes = this.replaced(by === 'lent' && label === null ? 'typing' : by, writes, present);
    if (notes.length === 0) return;
    const until = this.now();
    for (const part of partsOf(notes)) {
      const texts = part.map(({ note, isGone }) => {
        this.lastKept.set(note.id, until);
        const { id, path, key } = note;
        return { note: id, path, key, until, by, label, size: sizeOf(note), gone: isGone ? 1 : 0 } as EarlierText;
      });
      const ids = await this.db.earlier.bulkAdd(texts, { allKeys: true });
      await this.db.earlierContents.bulkAdd(
        ids.flatMap((id, index) => {
          const note = part[index]?.note;
          return note ? [{ id, content: contentOf(note) }] : [];
        }),
      );
    }
  }

  /** The notes whose texts go and are kept. */
  private replaced(
    by: Origin['by'],
    writes: readonly NoteWrite[],
    present: readonly (StoredNote | undefined)[],
  ): { note: StoredNote; isGone: boolean }[] {
    const byKey = new Map(present.flatMap((note) => (note ? [[note.key, note] as const] : [])));
    const moved = new Set(writes.flatMap(({ movedFrom }) => (movedFrom === undefined ? [] : [foldPath(movedFrom)])));
    return writes.flatMap(({ path, content, movedFrom }) => {
      const key = foldPath(path);
      const note = byKey.get(movedFrom === undefined ? key : foldPath(movedFrom));
      // A note that only went elsewhere is looked at where it went to; an empty text is none to come back to.
      if (!note || (content === null && moved.has(key)) || (content !== null && sizeOf(note) === 0)) return [];
      return this.isKept(by, note, content) ? [{ note, isGone: content === null }] : [];
    });
  }

  private isKept(by: Origin['by'], note: StoredNote, content: Content | null): boolean {
    if (sameContent(contentOf(note), content)) return false;
    if (by !== 'typing' || content === null) return true;
    const now = this.now();
    const last = this.lastKept.get(note.id);
    return now - note.changed >= PAUSE || last === undefined || now - last >= OFTEN;
  }

  /** The earlier texts of the note at a path, the newest first; those of the last one that was there where none is now. */
  async of(path: string): Promise<EarlierText[]> {
    const key = foldPath(path);
    const note = await this.db.notes.get(key);
    const id = note?.id ?? (await this.db.earlier.where('key').equals(key).last())?.note;
    return id === undefined ? [] : (await this.db.earlier.where('note').equals(id).sortBy('id')).reverse();
  }

  /** The content of an earlier text; null where it was let go. */
  async content(id: number): Promise<Content | null> {
    return (await this.db.earlierContents.get(id))?.content ?? null;
  }

  /** The last text of each deleted note that has not been brought back, the newest first. */
  async gone(): Promise<EarlierText[]> {
    const all = (await this.db.earlier.where('gone').equals(1).sortBy('id')).reverse();
    const seen = new Set<string>();
    const last = all.filter(({ note }) => !seen.has(note) && seen.add(note));
    const there = await this.db.notes
      .where('id')
      .anyOf([...seen])
      .primaryKeys();
    const ids = new Set((await this.db.notes.bulkGet(there)).flatMap((note) => (note ? [note.id] : [])));
    return last.filter(({ note }) => !ids.has(note));
  }

  /**
   * Lets go of what thinning lets go.
   *
   * @param times how many times the size of the notes they may take
   * @returns how many went
   */
  async thin(times: number): Promise<number> {
    const texts = await this.db.earlier.toArray();
    const taken = sum(texts.map(({ size }) => size));
    // Where they take little, nobody has to read all notes for it.
    const room = taken <= LEAST_ROOM ? LEAST_ROOM : Math.max(LEAST_ROOM, times * (await this.notesSize()).size);
    const gone = thinned(
      texts.map(({ gone: isGone, ...one }) => ({ ...one, gone: isGone === 1 })),
      this.now(),
      room,
    );
    await this.letGo(gone);
    return gone.length;
  }

  /** Lets go of all that belongs to no deleted note. */
  async clear(): Promise<void> {
    await this.letGo(await this.db.earlier.where('gone').equals(0).primaryKeys());
  }

  /** Lets go of what deleted notes held that nobody misses, as those of the demo that nobody changed. */
  async forgetGone(paths: readonly string[]): Promise<void> {
    const keys = new Set(paths.map(foldPath));
    const gone = await this.db.earlier.where('gone').equals(1).toArray();
    await this.letGo(gone.filter(({ key }) => keys.has(key)).map(({ id }) => id));
  }

  private async letGo(ids: number[]): Promise<void> {
    const { earlier, earlierContents } = this.db;
    await this.db.transaction('rw', earlier, earlierContents, async () => {
      await earlier.bulkDelete(ids);
      await earlierContents.bulkDelete(ids);
    });
  }

  async size(): Promise<KindSize> {
    const sizes = (await this.db.earlier.toArray()).map((one) => one.size);
    return { count: sizes.length, size: sum(sizes) };
  }

  async notesSize(): Promise<KindSize> {
    let count = 0;
    let size = 0;
    await this.db.notes.each(({ text, bytes }) => {
      count++;
      size += sizeOf({ text, bytes });
    });
    return { count, size };
  }
}

const sizeOf = ({ text, bytes }: Pick<StoredNote, 'text' | 'bytes'>): number => bytes?.length ?? text?.length ?? 0;

const sum = (sizes: readonly number[]): number => sizes.reduce((all, one) => all + one, 0);
