import { foldPath, freePath } from '../../core/note/names/path';
import { contentOf } from '../notes/content';
import { TYPING, command } from '../notes/origin';
import { mergeForBoth, mergeForTheirs, mergeTogether } from './merge';
import type { NoteSource } from '../notes/note-source';
import type { NoteStore } from '../notes/note-store';
import type { NoteWrite } from '../notes/note-write';
import { otherTextPath } from './other-text';

/** What a writer set aside beside a note, where another wrote in the same place: the note of the other text, and what went into it. */
export interface SetAside {
  path: string;
  text: string;
}

/** A text to store, and the one that it grew from; null when there was no note. */
export interface TextToSave {
  path: string;
  base: string | null;
  text: string;
  /** What this writer set aside last, so that it grows there. */
  aside?: SetAside | null;
  /** What Undo says of it; null when Undo leaves it out. */
  label?: string | null;
  /** Whether those who write in it see each other: then the words of both stay in their place. */
  together?: boolean;
}

/** What the note holds now, or that there is no such note any more. */
export type TextSaved = { is: 'saved'; text: string; aside: SetAside | null } | { is: 'gone' };

const TRIES = 40;

/**
 * Stores what a writer holds. What changed elsewhere since `base` is merged in. Where both changed the same lines, the note keeps what it
 * has, and the writer's words are kept in its other text: one note beside it, which all share who write in one place; those who see each other
 * have both in their place.
 *
 * @throws what the browser says when it cannot write
 */
export async function saveText(
  store: NoteStore,
  { path, base, text, aside = null, label = null, together = false }: TextToSave,
): Promise<TextSaved> {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const note = await store.get(path);
    if (note ? note.text === null : base !== null) return { is: 'gone' };
    const present = note?.text ?? null;
    const writes: NoteWrite[] = [];
    let next = text;
    let kept = aside;
    if (present !== null && present !== base && present !== text) {
      const merged = together ? { text: mergeTogether(base ?? '', text, present), lost: false } : mergeForTheirs(base ?? '', text, present);
      next = merged.text;
      if (merged.lost) {
        const grownFrom = aside && foldPath(aside.path) === foldPath(otherTextPath(path)) ? aside.text : (base ?? '');
        const other = await intoOtherText(store, path, text, grownFrom);
        writes.push(...other.writes);
        kept = { path: other.path, text };
      }
    }
    if (next !== present) writes.push({ path: note?.path ?? path, expect: note ? contentOf(note) : null, content: { text: next } });
    if (writes.length === 0 || (await store.commit(label === null ? TYPING : command(label), writes)).saved)
      return { is: 'saved', text: next, aside: kept };
  }
  throw new Error('The note is being written elsewhere all the time.');
}

/** What puts words into the other text of a note, and what that says then. */
interface IntoOther {
  path: string;
  text: string;
  writes: NoteWrite[];
}

/**
 * Puts a text into the other text of a note: one that is there already keeps every word of its own.
 *
 * @param grownFrom what both grew from, as far as that is known
 */
export async function intoOtherText(
  store: Pick<NoteSource, 'get' | 'paths'>,
  path: string,
  text: string,
  grownFrom: string,
  grows: Parameters<typeof mergeForBoth>[3] = 'one word grows',
): Promise<IntoOther> {
  const place = otherTextPath(path);
  const note = await store.get(place);
  if (note?.text != null) {
    const both = mergeForBoth(grownFrom, text, note.text, grows);
    const write: NoteWrite = { path: note.path, expect: contentOf(note), content: { text: both } };
    return { path: note.path, text: both, writes: both === note.text ? [] : [write] };
  }
  // What is no text cannot take words in.
  const taken = note ? await store.paths() : null;
  const free = taken ? freePath(place, (folded) => taken.has(folded)) : place;
  return { path: free, text, writes: [{ path: free, expect: null, content: { text } }] };
}
