import { useMemo } from 'react';
import { folderOf } from '../../../core/note/names/path';
import { useAppSelector } from '../../session/state/state';

/** Every folder that holds a note, and the folders around them, by name. */
export function useFolders(): string[] {
  const notes = useAppSelector((state) => state.library.overview?.notes);
  return useMemo(() => {
    const folders = new Set<string>();
    for (const note of notes ?? []) {
      for (let folder = folderOf(note.path); folder !== ''; folder = folderOf(folder)) folders.add(folder);
    }
    return [...folders].sort((a, b) => a.localeCompare(b));
  }, [notes]);
}
