import { isPictureFile } from '../../core/note/names/picture-path';
import { isHidden, isNoteFile } from '../../core/note/names/path';

/** What the browser tells of a change, as far as it is used here. */
interface ChangeRecord {
  relativePathComponents: readonly string[];
  relativePathMovedFrom?: readonly string[] | null;
}

interface Observer {
  observe: (handle: FileSystemDirectoryHandle, options: { recursive: boolean }) => Promise<void>;
  disconnect: () => void;
}

type ObserverMaker = new (hear: (records: readonly ChangeRecord[]) => void) => Observer;

/**
 * Hears of changes in a folder at once, where the browser can tell them; elsewhere they are found when it is looked at.
 *
 * @param changed is given the path of each file, as it is in the folder
 * @returns what ends it
 */
export async function observed(handle: FileSystemDirectoryHandle, changed: (path: string) => void): Promise<() => void> {
  const Made = (globalThis as unknown as { FileSystemObserver?: ObserverMaker }).FileSystemObserver;
  if (!Made) return () => undefined;
  const observer = new Made((records) => {
    const paths = records.flatMap((record) =>
      [record.relativePathComponents, record.relativePathMovedFrom ?? []].map((parts) => parts.join('/')),
    );
    for (const path of paths) if ((isNoteFile(path) || isPictureFile(path)) && !isHidden(path)) changed(path);
  });
  // A folder that cannot be observed is looked at like any other.
  await observer.observe(handle, { recursive: true }).catch(() => undefined);
  return () => observer.disconnect();
}
