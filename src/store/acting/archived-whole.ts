import { ARCHIVE_FOLDER, archivedFrom, archivedNote, broughtBackNote } from '../../core/keep/archive/archive-note';
import type { Day } from '../../core/calendar/day';
import { foldPath, folderOf } from '../../core/note/names/path';
import type { StoredNote } from '../notes/content';
import type { NoteWrite } from '../notes/note-write';
import { relocation } from './relocation';

type Planned = { writes: NoteWrite[]; path: string } | { refused: string };

/** What archives a note whole: it goes below the folder of archives, links by path follow, and its front matter says where it lay. */
export function archivedWhole(notes: readonly StoredNote[], path: string, today: Day): Planned {
  const folder = folderOf(path);
  return placedAs(notes, path, folder === '' ? ARCHIVE_FOLDER : `${ARCHIVE_FOLDER}/${folder}`, (text) => archivedNote(text, path, today));
}

/** What brings a note back that was archived whole. */
export function broughtBackWhole(notes: readonly StoredNote[], path: string): Planned {
  const text = notes.find(({ key }) => key === foldPath(path))?.text ?? '';
  const from = archivedFrom(text);
  if (from === null) return { refused: 'Nothing says where this note lay, so nothing was changed.' };
  return placedAs(notes, path, folderOf(from), broughtBackNote);
}

function placedAs(notes: readonly StoredNote[], path: string, folder: string, change: (text: string) => string): Planned {
  const plan = relocation(notes, path, { folder });
  if ('refused' in plan) return plan;
  const key = foldPath(plan.path);
  const writes = plan.writes.map((write): NoteWrite => {
    const { content } = write;
    return foldPath(write.path) === key && content !== null && 'text' in content
      ? { ...write, content: { text: change(content.text) } }
      : write;
  });
  return { writes, path: plan.path };
}
