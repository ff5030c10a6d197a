import type { LineDays } from '../../core/note/facts/line-days';
import type { Content, StoredNote } from './content';
import type { NoteWrite } from './note-write';
import type { Origin } from './origin';

/** `step` is what Undo takes back; null when there is none. */
export type CommitResult = { saved: true; seen: (LineDays | null)[]; step: number | null } | { saved: false; conflict: string };

/** A note that changed, in this tab or another. */
export interface StoreChange {
  path: string;
  content: Content | null;
  /** When its lines were seen first; null for no note. */
  seen: LineDays | null;
  /** What made it change. */
  by: Origin['by'];
  /** Whether another tab wrote it. */
  elsewhere: boolean;
  /** Where the note is now, when it went from this path because it was moved. */
  movedTo?: string;
}

/** What is told of notes; a listener that fails is reported, and changes nothing of what is stored. */
export interface NoteListener {
  /** This tab did a step, which Undo takes back; told before its changes. */
  stepped(step: { id: number; paths: readonly string[]; by: Origin['by'] }): void;
  changed(changes: readonly StoreChange[]): void;
  /** How many writes are on their way to where they are kept. */
  writing(count: number): void;
  valueChanged(id: string): void;
}

/** Some of the notes, and how many there are in all. */
export interface Portion {
  notes: StoredNote[];
  all: number;
}

/** What gives all notes, portion by portion; the engine reads them through it. */
export interface NoteReader {
  portions(size: number): AsyncIterable<Portion>;
}

/**
 * Where notes are: read, written and listened to. The browser's database is one; whoever writes notes asks for no more than this, so that
 * another place can stand behind it.
 */
export interface NoteSource extends NoteReader {
  get(path: string): Promise<StoredNote | null>;
  text(path: string): Promise<string | null>;
  /** The notes at some paths, in their order; undefined where there is none. */
  many(paths: readonly string[]): Promise<(StoredNote | undefined)[]>;
  all(): Promise<StoredNote[]>;
  /** The folded paths of all notes, without their texts. */
  paths(): Promise<ReadonlySet<string>>;
  /**
   * Writes notes whole or not at all; each must still hold what the writer saw. Resolves when they are durable.
   *
   * @throws what the place says when it could not write; nothing is changed then
   */
  commit(origin: Origin, writes: readonly NoteWrite[]): Promise<CommitResult>;
  /** Makes the place ready again after an error, where that makes sense; tells whether to try again. */
  reopen(error: unknown): Promise<boolean>;
  listen(listener: Partial<NoteListener>): () => void;
}
