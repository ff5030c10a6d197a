import { useEffect, useState } from 'react';
import { foldPath } from '../../core/note/path';
import { type Content, contentOf } from '../../store/database';
import { useServices } from '../session/services';
import { useLatest } from '../../ui/use-latest';

/** What is known of a stored note: still loading, absent, or what it held when it was opened or last replaced. */
export type StoredContent = { is: 'loading' } | { is: 'absent' } | { is: 'there'; path: string; content: Content };

/**
 * A note of the store. It follows the note's coming and going; changes of its text go to the editor directly. While the note is moved,
 * what was known of it stays until it is found at its new path.
 *
 * @param onMoved called when the note was moved, here or in another tab
 */
export function useStoredNote(path: string, onMoved: (to: string) => void): StoredContent {
  const { store } = useServices();
  const [found, setFound] = useState<StoredContent>({ is: 'loading' });
  const moved = useLatest(onMoved);
  useEffect(() => {
    let live = true;
    let reading = 0;
    const load = async (): Promise<void> => {
      const mine = ++reading;
      const note = await store.get(path);
      if (live && mine === reading) setFound(note ? { is: 'there', path: note.path, content: contentOf(note) } : { is: 'absent' });
    };
    void load();
    const stop = store.listen({
      changed: (changes) => {
        const change = changes.find((one) => foldPath(one.path) === foldPath(path));
        if (change?.movedTo !== undefined) moved.current(change.movedTo);
        else if (change) void load();
      },
    });
    return () => {
      live = false;
      stop();
    };
  }, [store, path, moved]);
  return found;
}
