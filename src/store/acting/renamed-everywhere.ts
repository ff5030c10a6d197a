import { type Renaming, renamedText } from '../../core/gather/saying/rename-everywhere';
import { foldPath, liesIn } from '../../core/note/names/path';
import { SEALS_FOLDER, readSeal, sealTextWith } from '../../core/sharing/seal/seal-note';
import { withPicturesFrom } from '../../core/note/names/picture-path';
import { type StoredNote, contentOf } from '../notes/content';
import { type NoteWrite, placed } from '../notes/note-write';

/** What renames a tag, a handle, a folder or a heading wherever it stands; and how many places in how many notes that are. */
export function renamedEverywhere(
  notes: readonly StoredNote[],
  renaming: Renaming,
): { writes: NoteWrite[]; places: number; notes: number } | { refused: string } {
  const writes: NoteWrite[] = [];
  let places = 0;
  for (const note of notes) {
    const path = renaming.is === 'folder' ? inOtherFolder(note.path, renaming.before, renaming.after) : note.path;
    const text = note.text !== null && renaming.is === 'folder' ? sealOfOtherFolder(note.path, note.text, renaming) : note.text;
    const found = text === null ? null : renamedText(note.path, text, renaming);
    const renamed = found && { text: found.text, places: found.places + (text === note.text ? 0 : 1) };
    places += (renamed?.places ?? 0) + (path === note.path ? 0 : 1);
    if (path === note.path && (renamed?.places ?? 0) === 0) continue;
    writes.push(...placed(note, path, renamed ? { text: withPicturesFrom(renamed.text, note.path, path) } : contentOf(note)));
  }
  if (writes.length === 0) return { refused: `${renaming.before} is named nowhere, so nothing was changed.` };
  const taken = new Set(notes.map((note) => note.key));
  const clash = writes.find((write) => write.expect === null && write.content !== null && taken.has(foldPath(write.path)));
  if (clash) return { refused: `There is a note ${clash.path} already, so nothing was changed.` };
  return { writes, places, notes: writes.filter((write) => write.content !== null).length };
}

/** The note of a seal with the new name of a folder that it seals; any other as it is. */
function sealOfOtherFolder(path: string, text: string, { before, after }: { before: string; after: string }): string {
  const seal = liesIn(path, SEALS_FOLDER) ? readSeal(path, text) : null;
  const folders = seal?.folders.map((folder) => (foldPath(folder) === foldPath(before) ? after : inOtherFolder(folder, before, after)));
  return seal && folders && folders.join() !== seal.folders.join() ? sealTextWith(text, { folders }) : text;
}

/** The path of a note whose folder, or one around it, is called otherwise. */
function inOtherFolder(path: string, before: string, after: string): string {
  return foldPath(path).startsWith(`${foldPath(before)}/`) ? after + path.slice(before.length) : path;
}
