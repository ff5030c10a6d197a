import { renameInGather } from '../../core/gather/saying/rename-in-gather';
import { lineText, splitLines } from '../../core/note/blocks/lines';
import { readFrontMatter } from '../../core/note/facts/front-matter';
import { SEALED_ENDING, baseNameOf, folderOf, foldPath, freePath, isSealedPath, pathFor } from '../../core/note/names/path';
import { withPicturesFrom } from '../../core/note/names/picture-path';
import { renameLinks, retargetTo } from '../../core/note/names/rename-links';
import { hidesTitle } from '../../core/sharing/seal/sealed-names';
import { type StoredNote, contentOf } from '../notes/content';
import { type NoteWrite, placed, withText } from '../notes/note-write';

/** Where a note is to be: under another title in its folder, or in another folder. */
export type Destination = { title: string; file?: string } | { folder: string };

/** What puts a note elsewhere: itself, and every note that links to it; and how many links that are. */
export function relocation(
  notes: readonly StoredNote[],
  from: string,
  to: Destination,
): { writes: NoteWrite[]; places: number; path: string } | { refused: string } {
  const note = notes.find((one) => one.key === foldPath(from));
  if (!note) return { refused: NO_NOTE };
  const keys = new Set(notes.map(({ key }) => key));
  const path = freePath(wantedPath(note, to), (folded) => folded !== note.key && keys.has(folded));
  return { ...followed(notes, note, path, 'title' in to ? to.title : null), path };
}

const NO_NOTE = 'That note is not there, so nothing was changed.';

function wantedPath({ path }: StoredNote, to: Destination): string {
  // What is sealed stays so under every name; one that hides its title has it in its text alone.
  if ('title' in to && hidesTitle(path)) return path;
  if ('title' in to) return pathFor(folderOf(path), to.file ?? to.title) + (isSealedPath(path) ? SEALED_ENDING : '');
  const name = path.slice(path.lastIndexOf('/') + 1);
  return to.folder === '' ? name : `${to.folder}/${name}`;
}

function followed(
  notes: readonly StoredNote[],
  note: StoredNote,
  path: string,
  title: string | null,
): { writes: NoteWrite[]; places: number } {
  const front = note.text === null ? null : readFrontMatter(splitLines(note.text));
  const oldTitle = front?.title ?? baseNameOf(note.path);
  // Without a title of its own a note is called as its file, which may differ from what was typed.
  const newTitle = front?.title ? (title ?? oldTitle) : baseNameOf(path);
  const retarget = retargetTo({ path: note.path, titles: [oldTitle, baseNameOf(note.path)] }, { path, title: newTitle });
  const own = note.text === null || title === null || !front?.title ? note.text : withTitle(note.text, title);
  const writes: NoteWrite[] = [];
  let places = 0;
  for (const other of notes) {
    if (other.text === null) continue;
    const source = other === note ? (own ?? '') : other.text;
    const renamed = renameLinks(source, retarget, (line) => renameInGather(line, { is: 'note', retarget }));
    places += renamed.places;
    if (other !== note && renamed.places > 0) writes.push(withText(other, renamed.text));
    if (other === note) writes.push(...placed(note, path, { text: withPicturesFrom(renamed.text, note.path, path) }));
  }
  if (note.text === null) writes.push(...placed(note, path, contentOf(note)));
  return { writes, places };
}

/** Replaces the title that the front matter says; everything else stays. */
function withTitle(text: string, title: string): string {
  const lines = splitLines(text);
  const { lineCount } = readFrontMatter(lines);
  for (let line = 1; line < lineCount; line++) {
    if (!/^title:/.test(lineText(lines, line))) continue;
    const plain = /^\p{L}[\p{L}\p{N} ]*$/u.test(title) && !/^(?:true|false|null)$/i.test(title);
    return text.slice(0, lines.starts[line]) + `title: ${plain ? title : JSON.stringify(title)}` + text.slice(lines.ends[line]);
  }
  return text;
}
