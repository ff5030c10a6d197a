import { useEffect, useState } from 'react';
import { foldPath } from '../../../core/note/names/path';
import { useServices } from '../../session/state/services';

/** The text of a note as it is stored, which follows each change; null until it is read, and for what is no text. */
export function useStoredText(path: string): string | null {
  const { store } = useServices();
  const [text, setText] = useState<string | null>(null);
  useEffect(() => {
    let live = true;
    void store.text(path).then((found) => live && setText(found));
    const stop = store.listen({
      changed: (changes) => {
        const change = changes.find((one) => foldPath(one.path) === foldPath(path));
        if (change) setText(change.content && 'text' in change.content ? change.content.text : null);
      },
    });
    return () => {
      live = false;
      stop();
    };
  }, [store, path]);
  return text;
}
