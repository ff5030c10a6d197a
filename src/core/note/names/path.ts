import { readIsoDay, type Day } from '../../calendar/day';

/** How two paths are compared: NFC and without case. */
export function foldPath(path: string): string {
  return (isAscii(path) ? path : path.normalize('NFC')).toLowerCase();
}

/** Whether a file can hold a note, by its ending; sealed or not. */
export const isNoteFile = (path: string): boolean => /\.(?:md|markdown|txt)(?:\.age)?$/i.test(path);

/** What stands behind the ending of a note that is sealed: its file is one of the age format. */
export const SEALED_ENDING = '.age';

/** Whether a note is sealed, by its path: `Private/Diary.md.age`. */
export const isSealedPath = (path: string): boolean => path.endsWith(SEALED_ENDING) && /\.(?:md|markdown|txt)\.age$/i.test(path);

/** Whether a file, or a folder around it, begins with a dot: it belongs to the system, or to other programs. */
export const isHidden = (path: string): boolean => /(?:^|\/)\./.test(path);

/** Whether nothing in a text has another form by NFC. */
function isAscii(text: string): boolean {
  for (let at = 0; at < text.length; at++) if (text.charCodeAt(at) > 127) return false;
  return true;
}

/** `Exhibitions` of `Exhibitions/Salt on the Glass.md`; empty at the top. */
export function folderOf(path: string): string {
  const slash = path.lastIndexOf('/');
  return slash === -1 ? '' : path.slice(0, slash);
}

/** Whether a note lies in a folder or below it; all do in the top one, which is called ''. */
export const liesIn = (path: string, folder: string): boolean => folder === '' || foldPath(path).startsWith(`${foldPath(folder)}/`);

/** `Salt on the Glass.md` of `Exhibitions/Salt on the Glass.md`. */
export function fileNameOf(path: string): string {
  return path.slice(path.lastIndexOf('/') + 1);
}

/** The file name without its ending: the title of a note that says none. */
export function baseNameOf(path: string): string {
  return withoutEnding(fileNameOf(path));
}

/** The endings of notes, as they are known without case. */
const ENDINGS: ReadonlySet<string> = new Set(['.md', '.markdown', '.txt']);

/** A path or file name without the ending of a note, sealed or not. */
export function withoutEnding(path: string): string {
  if (isSealedPath(path)) return withoutEnding(path.slice(0, -SEALED_ENDING.length));
  const dot = path.lastIndexOf('.');
  return dot !== -1 && ENDINGS.has(path.slice(dot).toLowerCase()) ? path.slice(0, dot) : path;
}

/** The path of a note with this title in a folder. */
export function pathFor(folder: string, title: string): string {
  const name = safeFileName(title);
  return `${folder === '' ? '' : `${folder}/`}${name}.md`;
}

/** A title as a file name: what file systems refuse is replaced by a dash; never empty. */
export function safeFileName(title: string): string {
  const name = title
    .normalize('NFC')
    // eslint-disable-next-line no-control-regex -- control characters are just what must go
    .replace(/[\u0000-\u001f\u007f<>:"/\\|?*]+/g, '-')
    .replace(/^[\s.]+|[\s.]+$/g, '')
    .slice(0, 120)
    .trim();
  return name === '' ? 'Untitled' : name;
}

/** The path of a day's journal page: `Journal/2026-11-23.md`. */
export function journalPath(isoDay: string): string {
  return `Journal/${isoDay}.md`;
}

/** The day that a title names when it is an ISO date. */
export function dayOfTitle(title: string): Day | null {
  return readIsoDay(title);
}

/** A path that no note of `taken` (folded paths) has: `Loans.md`, else `Loans 2.md`, `Loans 3.md` … */
export function freePath(path: string, taken: (folded: string) => boolean): string {
  if (!taken(foldPath(path))) return path;
  for (let count = 2; ; count++) {
    const next = numbered(path, count);
    if (!taken(foldPath(next))) return next;
  }
}

/** A path with a number behind its name: `Loans 2.md`. */
export function numbered(path: string, count: number): string {
  const dot = (isSealedPath(path) ? path.slice(0, -SEALED_ENDING.length) : path).lastIndexOf('.');
  const cut = dot > path.lastIndexOf('/') ? dot : path.length;
  return `${path.slice(0, cut)} ${count}${path.slice(cut)}`;
}

/**
 * A path from outside (a zip, a folder) made safe: relative, NFC, with `/`, without empty or dotted parts. Null
 * when it climbs out of its folder or names nothing.
 */
export function cleanPath(path: string): string | null {
  if (path.includes('\0')) return null;
  const parts = path
    .normalize('NFC')
    .replace(/\\/g, '/')
    .split('/')
    .filter((part) => part !== '' && part !== '.');
  if (parts.length === 0 || parts.includes('..') || /^[A-Za-z]:$/.test(parts[0] ?? '')) return null;
  return (
    parts
      // eslint-disable-next-line no-control-regex -- control characters are just what must go
      .map((part) => part.replace(/[\u0000-\u001f\u007f]/g, '-').trim() || '-')
      .join('/')
  );
}
