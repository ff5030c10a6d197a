/** What browsers that give access to folders have beside the standard handles. */
interface Permitted {
  queryPermission?: (asked: { mode: 'readwrite' }) => Promise<PermissionState>;
  requestPermission?: (asked: { mode: 'readwrite' }) => Promise<PermissionState>;
}

const MODE = { mode: 'readwrite' } as const;

type Picker = (asked: { mode: 'readwrite'; id: string }) => Promise<FileSystemDirectoryHandle>;

/** Lets a person choose a folder; null where the browser gives no access to folders. */
export const folderPicker = (): Picker | null =>
  (window as unknown as { showDirectoryPicker?: Picker }).showDirectoryPicker?.bind(window) ?? null;

/** Whether a folder may be read and written now; a handle that knows no permissions may. */
export const hasAccess = async (handle: FileSystemDirectoryHandle): Promise<boolean> =>
  ((await (handle as unknown as Permitted).queryPermission?.(MODE)) ?? 'granted') === 'granted';

/** Asks for it; only a press of a person may. */
export const askAccess = async (handle: FileSystemDirectoryHandle): Promise<boolean> =>
  ((await (handle as unknown as Permitted).requestPermission?.(MODE)) ?? 'granted') === 'granted';
