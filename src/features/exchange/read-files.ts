import type { ImportFile } from '../../store/notes/import-notes';

/** A file larger than this is left out: no note is. */
const LARGEST = 50 * 1024 * 1024;

/** A file as a person gave it, with its path inside a chosen or dropped folder. */
export interface GivenFile {
  path: string;
  file: File;
}

/** The files of a picker; those of a folder keep their path inside it. */
export function givenFrom(list: FileList): GivenFile[] {
  return [...list].map((file) => ({ path: insideFolder(file.webkitRelativePath) || file.name, file }));
}

/** The chosen folder itself is no folder of Recado's: its contents come to the top. */
function insideFolder(path: string): string {
  return path.slice(path.indexOf('/') + 1);
}

/** Everything that was dropped, folders unfolded. Must be called while the drop event is handled. */
export async function givenFromDrop(transfer: DataTransfer): Promise<GivenFile[]> {
  const entries = [...transfer.items].map((item) => item.webkitGetAsEntry()).filter((entry) => entry !== null);
  const plain = [...transfer.files];
  if (entries.length === 0) return plain.map((file) => ({ path: file.name, file }));
  const found: GivenFile[] = [];
  const alone = entries.length === 1 && entries[0]?.isDirectory === true;
  for (const entry of entries) await walk(entry, alone ? '' : entry.name, found);
  return found;
}

async function walk(entry: FileSystemEntry, path: string, found: GivenFile[]): Promise<void> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    found.push({ path, file });
    return;
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  for (;;) {
    const inner = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (inner.length === 0) return;
    for (const one of inner) await walk(one, path === '' ? one.name : `${path}/${one.name}`, found);
  }
}

/** Reads given files one after the other; a zip as what it holds. */
export async function* readGiven(given: readonly GivenFile[]): AsyncGenerator<ImportFile> {
  for (const { path, file } of given) {
    if (/\.zip$/i.test(file.name)) {
      // Dropping a folder must be listened for from the start; unzipping need not be there.
      const { readZip } = await import('./read-zip');
      yield* readZip(file);
    } else if (file.size > LARGEST) {
      yield { path, bytes: null, problem: 'It is larger than 50 MB.' };
    } else {
      try {
        yield { path, bytes: new Uint8Array(await file.arrayBuffer()) };
      } catch {
        yield { path, bytes: null, problem: 'The browser could not read it.' };
      }
    }
  }
}
