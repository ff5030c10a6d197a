import { bringBack, originOf } from '../../core/keep/archive/bring-back';
import { shelfOf } from '../../core/index/live/shelf';
import { foldPath } from '../../core/note/names/path';
import type { ActionContext } from '../../core/task/acts/action-context';
import { itemAt } from '../../core/task/reading/open-note';
import { OpenNotes, type Shelf } from '../../core/task/reading/open-notes';
import type { LineRef } from '../../core/task/writing/edit';
import type { NoteStore } from '../notes/note-store';
import type { NoteWrite } from '../notes/note-write';
import { writesOf } from './writes-of';

/**
 * What brings lines of archives back into the notes they came from, each where it stood as far as an earlier text of its note tells.
 *
 * @returns the notes they come to; or why the first of them that cannot come back cannot
 */
export async function broughtBackLines(
  store: NoteStore,
  refs: readonly LineRef[],
  context: ActionContext,
): Promise<{ writes: NoteWrite[]; to: string[] } | { refused: string }> {
  const notes = await store.all();
  const texts = new Map<string, { path: string; text: string }>();
  const shelf = shelfOf(notes);
  const present: Shelf = { ...shelf, text: (path) => texts.get(foldPath(path))?.text ?? shelf.text(path) };
  const to = new Set<string>();
  // From the foot of each note upwards, so that the lines still to come stay where they were.
  for (const ref of refs.toSorted((a, b) => b.line - a.line)) {
    const before = await textBefore(store, present, ref, context);
    const back = bringBack(present, ref, before, context);
    if ('refused' in back) return back;
    for (const file of back.files) texts.set(foldPath(file.path), file);
    to.add(back.to);
  }
  return { writes: writesOf(notes, { texts }), to: [...to] };
}

/** The newest earlier text of the note that a line came from that still holds the line; null where none is kept. */
async function textBefore(store: NoteStore, shelf: Shelf, ref: LineRef, context: ActionContext): Promise<string | null> {
  const archive = new OpenNotes(shelf, context).open(ref.path);
  const item = archive && itemAt(archive, ref);
  const origin = archive && item && !('refused' in item) ? originOf(archive, item) : null;
  const source = origin && shelf.find(origin.path, ref.path);
  if (source == null) return null;
  const words = ref.expected.trim();
  for (const { id } of await store.earlier.of(source)) {
    const content = await store.earlierContent(id, source);
    if (content && 'text' in content && content.text.includes(words)) return content.text;
  }
  return null;
}
