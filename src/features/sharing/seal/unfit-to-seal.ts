import { foldPath, baseNameOf } from '../../../core/note/names/path';
import { readFrontMatter } from '../../../core/note/facts/front-matter';
import { splitLines } from '../../../core/note/blocks/lines';
import type { NoteStore } from '../../../store/notes/note-store';
import { LENT_MARKS } from '../../session/state/lent-marks';

/** Notes of these kinds are asked by the program itself, at any time. */
const OPEN_KINDS: ReadonlySet<string> = new Set(['agenda', 'status', 'slip', 'template', 'seal', 'tag']);

/** A task that is kept in step with an outside list says so in its tail. */
const JOINED = /\{[^{}]*\bjoined [^{}]*\}[ \t]*$/m;

/** Why some notes cannot be sealed, in a sentence; null when they can. */
export async function unfitToSeal(store: NoteStore, paths: readonly string[]): Promise<string | null> {
  if (paths.length === 0) return null;
  const lent = LENT_MARKS.read(await store.value(LENT_MARKS.id)).notes;
  for (const note of await store.kept.many(paths)) {
    if (note?.text == null) continue;
    const name = `“${baseNameOf(note.path)}”`;
    const { kind } = readFrontMatter(splitLines(note.text));
    if (kind !== null && OPEN_KINDS.has(kind))
      return `${name} is of kind ${kind}, which Recado itself must be able to read, so nothing was sealed.`;
    if (lent.has(foldPath(note.path))) return `Something of ${name} is lent. Call it back first; nothing was sealed.`;
    if (JOINED.test(note.text))
      return `${name} has tasks that are joined with an outside list, where others read them. Part them first; nothing was sealed.`;
  }
  return null;
}
