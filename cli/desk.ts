import { RefIndex } from '../src/core/index/names/ref-index';
import { foldPath } from '../src/core/note/names/path';
import { addedStatusOf, statusTable } from '../src/core/task/line/added-status';
import type { ActionSettings } from '../src/core/task/acts/action-context';
import { type ReadNote, readNote } from '../src/core/task/reading/read-note';
import { type RefTable, refTask } from '../src/core/task/reading/ref-problems';
import { type Folder, readFolder } from './read-folder';

/** A folder of notes, read with the settings of a command. */
export interface Desk {
  folder: Folder;
  settings: ActionSettings;
  notes: ReadNote[];
  refs: RefTable;
}

/** What several commands share: each folder is read once. */
export class Desks {
  private readonly folders = new Map<string, Folder>();
  private readonly read = new Map<string, Desk>();

  open(path: string, settings: ActionSettings): Desk {
    const key = `${path}\n${JSON.stringify(settings)}`;
    const known = this.read.get(key);
    if (known) return known;
    const folder = this.folders.get(path) ?? readFolder(path);
    this.folders.set(path, folder);
    const desk = readDesk(folder, settings);
    this.read.set(key, desk);
    return desk;
  }

  /** Forgets what was read, because files changed. */
  forget(): void {
    this.folders.clear();
    this.read.clear();
  }
}

function readDesk(folder: Folder, settings: ActionSettings): Desk {
  const plain = folder.notes.map((note) => readNote(note.path, note.text, settings));
  const added = plain.map((note) => addedStatusOf(note.front, note.title)).filter((status) => status !== null);
  const full = added.length === 0 ? settings : { ...settings, statuses: statusTable(added) };
  const notes = added.length === 0 ? plain : folder.notes.map((note) => readNote(note.path, note.text, full));
  const refs = new RefIndex();
  for (const note of notes) refs.add(note.tasks.filter((task) => task.ref !== null).map((task) => refTask(note.path, task, note.tasks)));
  return { folder, settings: full, notes, refs: refs.table };
}

/** The note that a person means: by its path, with or without ending, or the only one there is. */
export function noteAt(desk: Desk, name: string): ReadNote | null {
  if (name === '' && desk.notes.length === 1) return desk.notes[0] ?? null;
  const folded = foldPath(name.replace(/^\.\//, ''));
  return desk.notes.find((note) => foldPath(note.path) === folded || foldPath(note.path).replace(/\.[a-z]+$/, '') === folded) ?? null;
}
