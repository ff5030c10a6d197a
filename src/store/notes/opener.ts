import { isSealedPath } from '../../core/note/names/path';
import type { Content, StoredNote } from './content';
import type { StepChange } from './database';
import type { NoteWrite } from './note-write';

/** What opens and seals notes whose path says that they are sealed. They lie in the store as files of the age format, whatever is open. */
export interface Opener {
  /** The text in the file of a sealed note; null while its seal is closed, and where it cannot be opened. */
  text(path: string, bytes: Uint8Array): Promise<string | null>;
  /**
   * Seals a text for a path; that needs no passphrase.
   *
   * @param movedFrom the path that the note had before, which says by which seal it is sealed
   * @throws where there is no seal for it
   */
  bytes(path: string, text: string, movedFrom?: string): Promise<Uint8Array>;
  /** What is in the file of something else that is sealed, as a picture; null while its seal is closed. */
  opened(path: string, bytes: Uint8Array): Promise<Uint8Array | null>;
  /** Seals something else that belongs to a note, by the seal of the note. */
  sealed(notePath: string, bytes: Uint8Array): Promise<Uint8Array>;
  /** Where a new note at a path is to be: in a folder that is sealed as a whole, the path of a sealed note. */
  placed(path: string): Promise<string | { refused: string }>;
}

/** What a step is called, and an earlier text, of which nobody is to read what was done. */
export const SEALED_LABEL = 'A change in a sealed note';

/** A write would have put words of a sealed note where everybody reads them. */
export class OutOfSealError extends Error {
  constructor() {
    super('This would take a sealed note out of its seal, so nothing was changed.');
    this.name = 'OutOfSealError';
  }
}

/** A note as whoever has opened its seal reads it; as it lies there for anybody else. */
export async function openedNote<Of extends StoredNote | undefined>(opener: Opener | null, note: Of): Promise<Of> {
  if (opener === null || note?.bytes == null || !isSealedPath(note.path)) return note;
  const text = await opener.text(note.path, note.bytes);
  return text === null ? note : { ...note, text, bytes: null };
}

/** Some notes so; where none of them is sealed, nothing is waited for. */
export async function openedNotes<Of extends StoredNote | undefined>(opener: Opener | null, notes: Of[]): Promise<Of[]> {
  if (opener === null || !notes.some((note) => note?.bytes != null && isSealedPath(note.path))) return notes;
  return Promise.all(notes.map((note) => openedNote(opener, note)));
}

/** A content so. */
export async function openedContent(opener: Opener | null, path: string, content: Content): Promise<Content> {
  if (opener === null || 'text' in content || !isAgeFile(content.bytes)) return content;
  const text = await opener.text(path, content.bytes);
  return text === null ? content : { text };
}

const AGE = new TextEncoder().encode('age-encryption.org/v1\n');

/** Whether bytes are a file of the age format, by its first line. */
const isAgeFile = (bytes: Uint8Array): boolean => AGE.every((byte, at) => bytes[at] === byte);

/** Whether any of some writes is about a sealed note. */
export const touchesSealed = (writes: readonly { path: string; movedFrom?: string }[]): boolean =>
  writes.some(({ path, movedFrom }) => isSealedPath(path) || (movedFrom !== undefined && isSealedPath(movedFrom)));

/**
 * Writes as they are kept: the texts of sealed notes sealed, and what their writers saw compared with what the files say.
 *
 * @param present the notes at their paths, as they lie there
 * @returns the path of a note that holds something else than its writer saw, where there is one
 * @throws OutOfSealError where a sealed note would go where everybody reads it
 */
export async function sealedWrites(
  opener: Opener | null,
  writes: readonly NoteWrite[],
  present: readonly (StoredNote | undefined)[],
): Promise<NoteWrite[] | { conflict: string }> {
  const kept: NoteWrite[] = [];
  for (const [index, write] of writes.entries()) {
    const { path, expect, content, movedFrom } = write;
    if (!isSealedPath(path)) {
      if (movedFrom !== undefined && isSealedPath(movedFrom)) throw new OutOfSealError();
      kept.push(write);
      continue;
    }
    const note = present[index];
    const seen = expect && 'text' in expect ? await asItLies(opener, note, expect.text) : expect;
    if (seen === undefined) return { conflict: path };
    kept.push({ ...write, expect: seen, content: content && (await sealedContent(opener, path, content, movedFrom)) });
  }
  return kept;
}

async function asItLies(opener: Opener | null, note: StoredNote | undefined, text: string): Promise<Content | undefined> {
  if (note?.bytes == null) return undefined;
  const said = await openedNote(opener, note);
  return said.text === text ? { bytes: note.bytes } : undefined;
}

/** A content as a sealed note keeps it. */
export async function sealedContent(opener: Opener | null, path: string, content: Content, movedFrom?: string): Promise<Content> {
  if (!('text' in content)) return content;
  if (opener === null) throw new OutOfSealError();
  return { bytes: await opener.bytes(path, content.text, movedFrom) };
}

/** The changes of a step as whoever has opened the seals reads them; null while one of them is closed. */
export async function openedChanges(opener: Opener | null, changes: readonly StepChange[]): Promise<StepChange[] | null> {
  const opened: StepChange[] = [];
  for (const change of changes) {
    if (!isSealedPath(change.path)) {
      opened.push(change);
      continue;
    }
    const [before, after] = await Promise.all([
      openedSide(opener, change.path, change.before),
      openedSide(opener, change.path, change.after),
    ]);
    if (before === undefined || after === undefined) return null;
    opened.push({ ...change, before, after });
  }
  return opened;
}

async function openedSide<Of extends StepChange['before'] | StepChange['after']>(
  opener: Opener | null,
  path: string,
  side: Of,
): Promise<Of | Content | undefined> {
  if (side === null || !('bytes' in side)) return side;
  const content = await openedContent(opener, path, side);
  return 'text' in content ? content : undefined;
}

/** Nothing that can be read is ever kept at the path of a sealed note. */
export function assertSealed(path: string, content: object | null): void {
  if (content !== null && isSealedPath(path) && !('bytes' in content) && !('mark' in content)) throw new OutOfSealError();
}
