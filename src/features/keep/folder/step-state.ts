import * as z from 'zod/mini';

/** The values by which the tabs know of a place that is kept in step. */
export interface StepValues {
  /** What place it is; null for none. */
  value: string;
  /** How the last look at it went; every tab shows it. */
  state: string;
  /** What any tab asks of the one that keeps it in step. */
  wish: string;
  /** The settings as they were the same last. */
  settings: string;
}

export const FOLDER: StepValues = { value: 'folder', state: 'folder state', wish: 'folder wish', settings: 'folder settings' };

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
  /** Files that were not as they should be, and what was done. */
  warned: z.catch(z.array(place), []),
  asks: z.catch(z.number(), 0),
});
export type StepState = z.infer<typeof schema>;

export function readStepState(value: unknown): StepState | null {
  const result = schema.safeParse(value);
  return result.success ? result.data : null;
}

/** What can be asked of the tab that keeps a place in step; what was `seen` is told no more. */
export type StepWish = 'look' | 'remove' | 'write back' | 'seen';

export function readWish(value: unknown): StepWish | null {
  const wish = typeof value === 'object' && value !== null && 'wish' in value ? value.wish : null;
  return WISHES.find((one) => one === wish) ?? null;
}

const WISHES: readonly StepWish[] = ['look', 'remove', 'write back', 'seen'];
