import { isSealedPath } from '../../../core/note/names/path';
import { deviceMemory } from '../../../store/device/device-memory';

const KEY = 'recado folds';
const MOST_NOTES = 200;

/** The lines under which a note is folded on this device. */
export const foldLinesOf = (path: string): readonly string[] => readKept()[path] ?? [];

/** Keeps them; of a sealed note, whose lines nobody is to read, none. */
export function keepFoldsOf(path: string, lines: readonly string[]): void {
  const kept = readKept();
  const isThere = path in kept;
  delete kept[path];
  const isKept = lines.length > 0 && !isSealedPath(path);
  if (isKept) kept[path] = [...lines];
  if (isKept || isThere) deviceMemory.set(KEY, JSON.stringify(Object.fromEntries(Object.entries(kept).slice(-MOST_NOTES))));
}

function readKept(): Record<string, string[]> {
  try {
    return JSON.parse(deviceMemory.get(KEY) ?? '{}') as Record<string, string[]>;
  } catch {
    return {};
  }
}
