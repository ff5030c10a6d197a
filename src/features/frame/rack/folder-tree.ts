import { SHIPPED_NAMES, isFootPath, shippedPath } from '../../../core/agenda/shipped-names';
import type { NoteSummary } from '../../../core/index/live/overview';
import { foldPath, folderOf, liesIn } from '../../../core/note/names/path';

/** One collator for all comparisons: making one each time costs more than comparing. */
const { compare } = new Intl.Collator();

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
    folder.folders.sort((a, b) => compare(a.name, b.name));
    const newestFirst = folder.path === 'Journal';
    folder.notes.sort((a, b) => (newestFirst ? compare(b.title, a.title) : compare(a.title, b.title)));
  }
  return top;
}

/** The folder of a path in a tree, its name compared as paths are; null when there is none. The empty path is the top. */
export function folderAt(top: Folder, path: string): Folder | null {
  if (foldPath(top.path) === foldPath(path)) return top;
  const next = top.folders.find((folder) => foldPath(folder.path) === foldPath(path) || liesIn(path, folder.path));
  return next ? folderAt(next, path) : null;
}

/** Agenda pages without the feet: the shipped ones in their order, then a person's own by title. */
export function agendaPages(notes: readonly NoteSummary[]): NoteSummary[] {
  const place = (note: NoteSummary): number => {
    const index = SHIPPED_NAMES.findIndex((name) => shippedPath(name) === note.path);
    return index === -1 ? SHIPPED_NAMES.length : index;
  };
  const pages = notes.filter((note) => note.kind === 'agenda' && note.foot === undefined);
  return pages.sort((a, b) => place(a) - place(b) || compare(a.title, b.title));
}

/** The shipped pages that are looked at every day. */
const DAILY: readonly string[] = (['Today', 'Ahead', 'Inbox', 'Undated', 'Resting'] as const).map(shippedPath);

/** Agenda pages that are folded under one line of the rack. */
export interface FoldedPages {
  folder: string;
  title: string;
  pages: NoteSummary[];
  /** What is folded among them once more. */
  inner: FoldedPages[];
}

/** The folder of the agenda pages that ship. */
const HOME = folderOf(shippedPath('Today'));

/**
 * The agenda pages that stay in sight, and the others under the folders they lie in: beside the daily ones a person's own stay in sight,
 * unless they lie in a folder below; feet, which nobody looks for at first, lie in theirs among more pages.
 */
export function rackPages(notes: readonly NoteSummary[]): { daily: NoteSummary[]; folded: FoldedPages[] } {
  const pages = agendaPages(notes);
  const isBelow = ({ path }: NoteSummary): boolean => path.startsWith(`${HOME}/`) && folderOf(path) !== HOME;
  const isMore = (page: NoteSummary): boolean =>
    isBelow(page) || (!DAILY.includes(page.path) && SHIPPED_NAMES.some((name) => shippedPath(name) === page.path));
  const feet = notes.filter((note) => note.kind === 'agenda' && note.foot !== undefined);
  feet.sort((a, b) => compare(a.title, b.title));
  const folded = new Map<string, FoldedPages>();
  for (const page of [...pages.filter(isMore), ...feet]) {
    const folder = folderOf(page.path);
    const title = folder === HOME ? 'More pages' : folder.slice(folder.lastIndexOf('/') + 1) || 'Notes';
    const there = folded.get(folder);
    if (there) there.pages.push(page);
    else folded.set(folder, { folder, title, pages: [page], inner: [] });
  }
  const more = folded.get(HOME);
  const inner = [...folded.values()].filter((one) => more && one.pages.every(({ path }) => isFootPath(path)));
  if (more) more.inner = inner;
  return { daily: pages.filter((page) => !isMore(page)), folded: [...folded.values()].filter((one) => !inner.includes(one)) };
}

/** One line of the tree as it is drawn. */
export type TreeLine = { is: 'folder'; folder: Folder; depth: number; open: boolean } | { is: 'note'; note: NoteSummary; depth: number };

/**
 * The lines of a tree from top to bottom: below each open folder its folders, then its notes.
 *
 * @param isOpen whether a folder shows what it holds
 */
export function treeLines(top: Folder, isOpen: (folder: Folder) => boolean): TreeLine[] {
  const lines: TreeLine[] = [];
  const walk = (folder: Folder, depth: number): void => {
    for (const inner of folder.folders) {
      const open = isOpen(inner);
      lines.push({ is: 'folder', folder: inner, depth, open });
      if (open) walk(inner, depth + 1);
    }
    for (const note of folder.notes) lines.push({ is: 'note', note, depth });
  };
  walk(top, 0);
  return lines;
}
