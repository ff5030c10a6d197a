import type { Origin } from '../notes/origin';

/** A text that a note had, without the text. */
export interface EarlierText {
  id: number;
  /** The id of the note, which stays through rename and move. */
  note: string;
  /** Where the note was then, and folded for looking. */
  path: string;
  key: string;
  /** When another text took its place, in milliseconds since 1970. */
  until: number;
  /** What made the other text: typing, or what Undo says of a step. */
  by: Origin['by'];
  label: string | null;
  /** In characters, or bytes of what is no text. */
  size: number;
  /** 1 where the note went, so that it can be brought back. */
  gone: 0 | 1;
}
