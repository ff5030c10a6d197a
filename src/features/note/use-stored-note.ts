import { useEffect, useState } from 'react';
import { foldPath } from '../../core/note/names/path';
import { type Content, contentOf } from '../../store/notes/content';
import { useServices } from '../session/state/services';
import { useLatest } from '../../ui/use-latest';
import type { Followed } from './use-followed';

/** What is known of a stored note: still loading, absent, or what it held when it was opened or last replaced. */
export type StoredContent = { is: 'loading' } | { is: 'absent' } | { is: 'there'; path: string; content: Content };

/**
 * A note of the store. It follows the note's coming and going; changes of its text go to the editor directly.
 *
 * @param followed where the note is followed when it is moved, here or in another tab: what was known of it stays until it is found there
 */
export function useStoredNote(path: string, followed?: Followed): StoredContent {
  const { store } = useServices();
  const shown = followed?.key ?? path;
  const [found, setFound] = useState<{ of: number | string; content: StoredContent }>({ of: '', content: { is: 'loading' } });
  const latest = useLatest(followed);
  useEffect(() => {
    let live = true;
    let reading = 0;
    const load = async (): Promise<void> => {
      const mine = ++reading;
      const note = await store.get(path);
      if (live && mine === reading)
        setFound({ of: shown, content: note ? { is: 'there', path: note.path, content: contentOf(note) } : { is: 'absent' } });
    };
    void load();
    const stop = store.listen({
      changed: (changes) => {
        const change = changes.find((one) => foldPath(one.path) === foldPath(path));
        if (change?.movedTo !== undefined && latest.current) latest.current.follows(change.movedTo);
        else if (change) void load();
      },
    });
    return () => {
      live = false;
      stop();
    };
  }, [store, path, shown, latest]);
  return found.of === shown ? found.content : { is: 'loading' };
}
