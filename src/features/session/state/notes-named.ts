import type { NoteSummary } from '../../../core/index/live/overview';

/**
 * So many notes at most as a menu can hold: all of a small library, of a large one the first whose title or path has every typed word.
 *
 * @example notesNamed(notes, 'salt glass', 300) // finds “Salt on the Glass” among ten thousand
 */
export function notesNamed(notes: readonly NoteSummary[], typed: string, most: number): NoteSummary[] {
  if (notes.length <= most) return [...notes];
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  const found: NoteSummary[] = [];
  for (const note of notes) {
    const name = `${note.title} ${note.path}`.toLowerCase();
    if (words.every((word) => name.includes(word))) found.push(note);
    if (found.length === most) break;
  }
  return found;
}
