import { isPictureFile } from '../../core/note/names/picture-path';
import { writeWhole } from '../write-whole';
import { isHidden, isNoteFile } from '../../core/note/names/path';
import { type DiskFile, type DiskFolder, type Ignored, sameFile } from './disk-folder';

/** No note is larger, in bytes. */
const LARGEST = 50 * 1024 * 1024;
/** A folder of more files, or of deeper folders, is not one of notes. */
const MOST_FILES = 60_000;
const DEEPEST = 40;
/** So many stats are asked for at once. */
const AT_ONCE = 500;
/** So many that are ignored are named. */
const MOST_IGNORED = 500;
/** No browser exchanges a file on a condition: so long after a write from here another program may not have seen it, in milliseconds. */
const UNSEEN_FOR = 2000;

/** The folder holds more than a desk can. */
export class TooMuchError extends Error {
  constructor(words: string) {
    super(words);
    this.name = 'TooMuchError';
  }
}

/** A folder on the disk, by the handle that the browser gives for it. */
export function handleFolder(root: FileSystemDirectoryHandle): DiskFolder {
  const fileHandle = async (path: string, create = false): Promise<{ folder: FileSystemDirectoryHandle; name: string }> => {
    const parts = path.split('/');
    const name = parts.pop() ?? '';
    let folder = root;
    for (const part of parts) folder = await folder.getDirectoryHandle(part, { create });
    return { folder, name };
  };
  const statOf = async (path: string): Promise<{ file: DiskFile; content: File } | null> => {
    try {
      const { folder, name } = await fileHandle(path);
      const content = await (await folder.getFileHandle(name)).getFile();
      return { file: fileOf(path, content), content };
    } catch (error) {
      if (isNotThere(error)) return null;
      throw error;
    }
  };
  return {
    unseenFor: UNSEEN_FOR,
    look: () => lookIn(root),
    stat: async (path) => (await statOf(path))?.file ?? null,
    read: async (path) => {
      const found = await statOf(path);
      return found && { bytes: new Uint8Array(await found.content.arrayBuffer()), file: found.file };
    },
    write: async (path, bytes, before) => {
      const isAsSeen = async (): Promise<boolean> => sameFile((await statOf(path))?.file ?? null, before);
      if (!(await isAsSeen())) return null;
      const { folder, name } = await fileHandle(path, true);
      const handle = await folder.getFileHandle(name, { create: true });
      // Another program may write while this one does. A file that was made just now is empty.
      const mayStill = before ? isAsSeen : async (): Promise<boolean> => (await handle.getFile()).size === 0;
      if (!(await writeWhole(handle, bytes, mayStill))) return null;
      const written = fileOf(path, await handle.getFile());
      // What came over it right behind is not what was written.
      return written.size === bytes.length ? written : null;
    },
    remove: async (path, before) => {
      const present = (await statOf(path))?.file ?? null;
      if (present === null) return true;
      if (!sameFile(present, before)) return false;
      const { folder, name } = await fileHandle(path);
      await folder.removeEntry(name);
      return true;
    },
  };
}

const fileOf = (path: string, { size, lastModified }: File): DiskFile => ({ path, size, modified: lastModified });

const isNotThere = (error: unknown): boolean =>
  error instanceof DOMException && (error.name === 'NotFoundError' || error.name === 'TypeMismatchError');

async function lookIn(root: FileSystemDirectoryHandle): Promise<{ files: DiskFile[]; ignored: Ignored[] }> {
  const found: { path: string; handle: FileSystemFileHandle }[] = [];
  const ignored: Ignored[] = [];
  const ignore = (path: string, why: string): void => {
    if (ignored.length < MOST_IGNORED) ignored.push({ path, why });
  };
  const walk = async (folder: FileSystemDirectoryHandle, before: string, depth: number): Promise<void> => {
    if (depth > DEEPEST) return ignore(before, 'It lies too deep, or its links lead in a circle.');
    const inner: [FileSystemDirectoryHandle, string][] = [];
    for await (const handle of folder.values()) {
      const path = `${before}${handle.name}`;
      // What begins with a dot belongs to the system, or to other programs.
      if (isHidden(handle.name)) continue;
      if (handle.kind === 'directory') inner.push([handle, `${path}/`]);
      else if (!isNoteFile(handle.name) && !isPictureFile(handle.name)) ignore(path, 'It is no Markdown, text or picture.');
      else if (found.push({ path, handle }) > MOST_FILES)
        throw new TooMuchError(`It holds more than ${MOST_FILES.toLocaleString('en')} notes.`);
    }
    for (const [one, path] of inner) await walk(one, path, depth + 1);
  };
  await walk(root, '', 0);
  const files: DiskFile[] = [];
  for (let at = 0; at < found.length; at += AT_ONCE) {
    const some = await Promise.all(
      found.slice(at, at + AT_ONCE).map(async ({ path, handle }) => {
        try {
          return fileOf(path, await handle.getFile());
        } catch (error) {
          if (!isNotThere(error)) ignore(path, 'It cannot be read now.');
          return null;
        }
      }),
    );
    for (const file of some) {
      if (file && file.size > LARGEST) ignore(file.path, 'It is larger than 50 MB, as no note is.');
      else if (file) files.push(file);
    }
  }
  return { files, ignored };
}
