import { useEffect, useState } from 'react';
import { readNote } from '../../core/task/reading/read-note';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** The words of the heading under which the cursor of a note stands; null above the first, and while the cursor is elsewhere. */
export function useHeadingAtCursor(path: string): string | null {
  const { store } = useServices();
  const line = useAppSelector((state) => (state.frame.cursor?.path === path ? state.frame.cursor.line : null));
  const [heading, setHeading] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    const look = async (): Promise<void> => {
      const text = line === null ? null : await store.text(path);
      if (gone) return;
      const headings = text === null ? [] : readNote(path, text).structure.headings;
      setHeading(headings.findLast((one) => one.topLevel && line !== null && one.line <= line)?.words ?? null);
    };
    void look();
    return () => {
      gone = true;
    };
  }, [store, path, line]);
  return heading;
}
