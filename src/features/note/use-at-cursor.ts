import { useEffect, useState } from 'react';
import { readNote } from '../../core/task/reading/read-note';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** What of a note stands at its cursor. */
export interface AtCursor {
  /** The words of the heading above; null above the first. */
  heading: string | null;
  /** The task on the line; null for another line. */
  task: { line: number; raw: string; text: string } | null;
}

const NOTHING: AtCursor = { heading: null, task: null };

/** What stands at the cursor of a note; nothing while the cursor is elsewhere. */
export function useAtCursor(path: string): AtCursor {
  const { store } = useServices();
  const line = useAppSelector((state) => (state.frame.cursor?.path === path ? state.frame.cursor.line : null));
  const [found, setFound] = useState(NOTHING);
  useEffect(() => {
    let gone = false;
    const look = async (): Promise<void> => {
      const text = line === null ? null : await store.text(path);
      if (gone) return;
      if (text === null || line === null) return setFound(NOTHING);
      const { structure, tasks } = readNote(path, text);
      setFound({
        heading: structure.headings.findLast((one) => one.topLevel && one.line <= line)?.words ?? null,
        task: tasks.findLast((one) => one.line === line) ?? null,
      });
    };
    void look();
    return () => {
      gone = true;
    };
  }, [store, path, line]);
  return found;
}
