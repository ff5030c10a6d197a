import type { GivenFile } from '../../../engine/files/read-given';

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
