import { SHIPPED_PAGES } from '../../core/agenda/shipped';
import type { NoteSummary } from '../../core/index/overview';
import { folderOf } from '../../core/note/path';

export interface Folder {
  /** Empty for the top. */
  path: string;
  name: string;
  folders: Folder[];
  notes: NoteSummary[];
  /** Open tasks in it and below. */
  open: number;
}

/** Puts notes into their folders; agenda pages have a place of their own on the rack and are left out. */
export function folderTree(notes: readonly NoteSummary[]): Folder {
  const top: Folder = { path: '', name: '', folders: [], notes: [], open: 0 };
  const known = new Map([['', top]]);
  const folderAt = (path: string): Folder => {
    let folder = known.get(path);
    if (!folder) {
      folder = { path, name: path.slice(path.lastIndexOf('/') + 1), folders: [], notes: [], open: 0 };
      known.set(path, folder);
      folderAt(folderOf(path)).folders.push(folder);
    }
    return folder;
  };
  for (const note of notes) {
    if (note.kind === 'agenda') continue;
    const folder = folderAt(folderOf(note.path));
    folder.notes.push(note);
    for (let path = folder.path; ; path = folderOf(path)) {
      folderAt(path).open += note.open;
      if (path === '') break;
    }
  }
  for (const folder of known.values()) {
    folder.folders.sort((a, b) => a.name.localeCompare(b.name));
    const newestFirst = folder.path === 'Journal';
    folder.notes.sort((a, b) => (newestFirst ? b.title.localeCompare(a.title) : a.title.localeCompare(b.title)));
  }
  return top;
}

/** Agenda pages: the shipped ones in their order, then a person's own by title. */
export function agendaPages(notes: readonly NoteSummary[]): NoteSummary[] {
  const place = (note: NoteSummary): number => {
    const index = SHIPPED_PAGES.findIndex((page) => page.path === note.path);
    return index === -1 ? SHIPPED_PAGES.length : index;
  };
  return notes.filter((note) => note.kind === 'agenda').sort((a, b) => place(a) - place(b) || a.title.localeCompare(b.title));
}
