import type { NoteSummary } from '../../../core/index/live/overview';
import type { NoteKind } from '../../../core/note/facts/front-matter';

/** Kinds under which nothing stands: what they hold is not for reading. */
const NONE: readonly NoteKind[] = ['agenda', 'template', 'slip', 'status'];

/**
 * The pages that stand under notes of a kind, by path.
 *
 * @example feetOf('person', notes).map(({ path }) => path) // ['Agenda/Feet/Foot of a person.md']
 */
export function feetOf(kind: NoteKind, notes: readonly NoteSummary[]): NoteSummary[] {
  if (NONE.includes(kind)) return [];
  return notes.filter((note) => note.foot === kind).sort((a, b) => (a.path < b.path ? -1 : 1));
}
