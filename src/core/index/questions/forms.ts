import { type OwnSlip, readOwnSlip } from '../../slip/own-slip';
import { kindMadeBy } from '../../template/from-template';
import type { NoteEntry } from '../note-entry';

/** A note from which others are made. */
export interface Template {
  path: string;
  title: string;
  text: string;
  /** The kind of note that it makes; null for none in particular. */
  makes: string | null;
}

export const templatesIn = (notes: readonly NoteEntry[]): Template[] =>
  notes.map(({ head: { path, title }, text }) => ({ path, title, text, makes: kindMadeBy(text) }));

export const slipsIn = (notes: readonly NoteEntry[]): OwnSlip[] =>
  notes.map(({ head: { path, title }, text }) => readOwnSlip(path, title, text));
