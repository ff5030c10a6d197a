import { writeWhole } from '../write-whole';

/** Where copies are kept: files by their names. */
export interface CopyPlace {
  list(): Promise<{ name: string; size: number }[]>;
  /** @throws where there is no such file any more */
  read(name: string): Promise<Blob>;
  /** Writes a file whole, or not at all. */
  write(name: string, content: Blob): Promise<void>;
  remove(name: string): Promise<void>;
}

/** The folder of the copies, in the browser's own file space and in the folder that is joined. */
const FOLDER = 'copies';

/** The browser's own file space, which goes with what the browser keeps of this page; null where it gives none. */
export const browserCopies = (storage: StorageManager | undefined): CopyPlace | null =>
  storage?.getDirectory ? copiesUnder(() => storage.getDirectory()) : null;

/** The place of the copies in a folder that is joined, beside its settings. */
export const folderCopies = (joined: FileSystemDirectoryHandle): CopyPlace =>
  copiesUnder(() => joined.getDirectoryHandle('.recado', { create: true }));

function copiesUnder(around: () => Promise<FileSystemDirectoryHandle>): CopyPlace {
  const folder = async (): Promise<FileSystemDirectoryHandle> => (await around()).getDirectoryHandle(FOLDER, { create: true });
  return {
    list: async () => {
      const found: { name: string; size: number }[] = [];
      for await (const handle of (await folder()).values())
        if (handle.kind === 'file') found.push({ name: handle.name, size: (await handle.getFile()).size });
      return found;
    },
    read: async (name) => (await (await folder()).getFileHandle(name)).getFile(),
    write: async (name, content) => {
      await writeWhole(await (await folder()).getFileHandle(name, { create: true }), content);
    },
    remove: async (name) => (await folder()).removeEntry(name),
  };
}
