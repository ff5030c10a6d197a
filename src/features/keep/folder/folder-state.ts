import * as z from 'zod/mini';

/** The value that holds the handle of the folder that is joined. */
export const FOLDER_VALUE = 'folder';
/** The value that says how the last look at it went; every tab shows it. */
export const FOLDER_STATE = 'folder state';
/** The value by which any tab asks the one that keeps the folder in step to do something. */
export const FOLDER_WISH = 'folder wish';

/** The folder that is joined. */
export interface JoinedFolder {
  handle: FileSystemDirectoryHandle;
  name: string;
}

export function readJoined(value: unknown): JoinedFolder | null {
  if (typeof value !== 'object' || value === null || !('handle' in value)) return null;
  const { handle } = value;
  return handle instanceof FileSystemDirectoryHandle ? { handle, name: handle.name } : null;
}

const place = z.object({ path: z.string(), why: z.string() });
const schema = z.object({
  /** When it was looked at last, in milliseconds since 1970. */
  at: z.number(),
  /** `asleep` until access is given again; `away` where it cannot be read, with the reason. */
  is: z.enum(['in step', 'looking', 'asleep', 'away']),
  why: z.catch(z.string(), ''),
  /** What the last look that found something did. */
  did: z.catch(z.string(), ''),
  failed: z.catch(z.array(place), []),
  ignored: z.catch(z.array(place), []),
  /** Notes of which both sides changed the same lines: the file's text stands at the second path. */
  beside: z.catch(z.array(z.object({ path: z.string(), other: z.string() })), []),
  asks: z.catch(z.number(), 0),
});
export type FolderState = z.infer<typeof schema>;

export function readFolderState(value: unknown): FolderState | null {
  const result = schema.safeParse(value);
  return result.success ? result.data : null;
}

/** What can be asked of the tab that keeps the folder in step. */
export type FolderWish = 'look' | 'remove' | 'write back';

export function readWish(value: unknown): FolderWish | null {
  const wish = typeof value === 'object' && value !== null && 'wish' in value ? value.wish : null;
  return wish === 'look' || wish === 'remove' || wish === 'write back' ? wish : null;
}
