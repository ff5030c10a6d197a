import { useEffect, useState } from 'react';
import { foldPath } from '../../core/note/path';
import type { Content } from '../../store/database';
import { useServices } from '../session/services';

/** What is known of a stored note: still loading, absent, or what it held when it was opened or last replaced. */
export type StoredContent = { is: 'loading' } | { is: 'absent' } | { is: 'there'; path: string; content: Content };

/**
 * A note of the store. It follows the note's coming and going; changes of its text go to the editor directly.
 */
export function useStoredNote(path: string): StoredContent {
  const { store } = useServices();
  const [found, setFound] = useState<{ for: string; content: StoredContent }>({ for: '', content: { is: 'loading' } });
  useEffect(() => {
    let live = true;
    const load = async (): Promise<void> => {
      const note = await store.get(path);
      if (!live) return;
      const content: StoredContent = note
        ? { is: 'there', path: note.path, content: note.bytes === null ? { text: note.text ?? '' } : { bytes: note.bytes } }
        : { is: 'absent' };
      setFound({ for: path, content });
    };
    void load();
    const stop = store.listen({
      changed: (changes) => {
        if (changes.some((change) => foldPath(change.path) === foldPath(path))) void load();
      },
    });
    return () => {
      live = false;
      stop();
    };
  }, [store, path]);
  return found.for === path ? found.content : { is: 'loading' };
}
