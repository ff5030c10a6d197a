import { itemWithRef } from '../../../core/sharing/lend/follow-part';
import { type LentPart, branchAt, partAt } from '../../../core/sharing/lend/lent-part';
import { isSealedPath } from '../../../core/note/names/path';
import { editorText } from '../../../core/note/blocks/line-endings';
import { readNote } from '../../../core/task/reading/read-note';
import { refOf } from '../../../core/task/line/ref';
import { type LineRef, locateLine } from '../../../core/task/writing/edit';
import type { PlacedLending } from '../../../store/lending/lend';
import type { AskedLending } from '../../session/acting/task-dialog';
import type { Services } from '../../session/state/services';

/** Finds what is to be lent as it is stored; a task is marked so that it is found wherever it goes. */
export async function placeLent(
  { store, actions, texts }: Pick<Services, 'store' | 'actions' | 'texts'>,
  asked: AskedLending,
): Promise<PlacedLending | { refused: string }> {
  if (store.db.onlyRead) return { refused: 'These notes are only read here, so nothing of them can be lent: load the page anew first.' };
  const place = asked.what === 'list' ? asked.at : asked.what === 'note' ? asked.path : asked.ref.path;
  if (place !== null && isSealedPath(place)) return { refused: 'It is sealed, so nothing of it is lent.' };
  if (asked.what === 'list') return { what: { is: 'list', text: asked.text, path: asked.at }, text: '' };
  await texts.settle();
  if (asked.what === 'task') return itemLent({ store, actions }, asked.ref);
  const note = await store.get(place ?? '');
  if (!note || note.text === null) return { refused: 'The note is no longer there.' };
  if (asked.what === 'note') {
    const part = partAt(note.text, 0, 'note');
    return part ? ofNote(note, note.text, part, null) : { refused: 'The note is no longer there.' };
  }
  const { tasks, lines } = readNote(note.path, editorText(note.text));
  const found = locateLine(lines, asked.ref);
  if ('refused' in found) return { refused: 'That line is no longer there, so nothing was lent.' };
  const task = tasks.find(({ line }) => line === found.line);
  if (task) return itemLent({ store, actions }, { path: note.path, line: task.line, expected: task.raw });
  const part = branchAt(note.text, found.line);
  return part ? ofNote(note, note.text, part, null) : { refused: 'Only an item, a heading or a note can be lent.' };
}

async function itemLent(
  { store, actions }: Pick<Services, 'store' | 'actions'>,
  ref: LineRef,
): Promise<PlacedLending | { refused: string }> {
  const marked = await actions.act(ref, { do: 'ref' }, 'Marked, to be lent');
  if ('refused' in marked) return marked;
  const note = await store.get(ref.path);
  const text = note?.text ?? '';
  // By its ref alone: its line may have moved meanwhile, and no other one is meant.
  const own = refOf(marked.raw);
  const line = own === null ? null : itemWithRef(text, own);
  const part = line === null ? null : partAt(text, line, 'item');
  return note && part ? ofNote(note, text, part, own) : { refused: 'That line is no longer there, so nothing was lent.' };
}

const ofNote = ({ id, path }: { id: string; path: string }, text: string, part: LentPart, ref: string | null): PlacedLending => ({
  what: { is: 'part', note: id, path, part, ref },
  text,
});
