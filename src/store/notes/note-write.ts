import { foldPath } from '../../core/note/names/path';
import { type Content, type DemoState, type StoredNote, contentOf } from './content';

/** One note to write: what it must hold now, and what it is to hold; null for no note. */
export interface NoteWrite {
  path: string;
  /** What the writer believes is there; the commit fails when something else is. */
  expect: Content | null;
  content: Content | null;
  /** The path that the note had before it was moved; its lines were seen when they were seen there. */
  movedFrom?: string;
  /** The id of a note that is brought back; one that is there keeps its own. */
  id?: string;
  /** What the note is to the demo; when left out, a note of the demo counts as edited. */
  demo?: DemoState;
}

/** What puts another text into a note. */
export function withText(note: StoredNote, text: string): NoteWrite {
  return { path: note.path, expect: contentOf(note), content: { text } };
}

/** What puts a note, with what it is to hold, at a path. */
export function placed(note: StoredNote, path: string, content: Content): NoteWrite[] {
  if (foldPath(path) === note.key) return [{ path, expect: contentOf(note), content }];
  return [
    { path: note.path, expect: contentOf(note), content: null },
    { path, expect: null, content, movedFrom: note.path },
  ];
}
