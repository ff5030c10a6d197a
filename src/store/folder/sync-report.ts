import type { Ignored } from './disk-folder';

/** What one look at the folder came to. */
export interface SyncReport {
  /** Notes that got what their files say. */
  cameIn: string[];
  /** Files that got what their notes say. */
  wentOut: string[];
  /** Both had changed, and were brought together. */
  merged: string[];
  /** Both had changed the same lines: the file's text stands beside, at the second path. */
  beside: { path: string; other: string }[];
  /** Removed on one side and changed on the other: they stay. */
  stayed: string[];
  /** Removed on both sides by now. */
  removed: string[];
  /** What could not be written or read now, and why; it is tried again. */
  failed: Ignored[];
  ignored: Ignored[];
  /** Files that were not as they should be, and what was done. */
  warned: Ignored[];
  /** So many notes would go because their files are gone: that is asked first. 0 where nothing is asked. */
  asks: number;
}

export const newReport = (): SyncReport => ({
  cameIn: [],
  wentOut: [],
  merged: [],
  beside: [],
  stayed: [],
  removed: [],
  failed: [],
  ignored: [],
  warned: [],
  asks: 0,
});

/** Whether anything was done. */
export const isQuiet = ({ cameIn, wentOut, merged, beside, stayed, removed }: SyncReport): boolean =>
  [cameIn, wentOut, merged, beside, stayed, removed].every((list) => list.length === 0);
