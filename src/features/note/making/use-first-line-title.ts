import { useEffect } from 'react';
import { refuse } from '../../session/telling/messages';
import { useServices } from '../../session/state/services';
import { isUntitled, titled } from './untitled';

/** When a note without a title is left, its first line becomes its title; one in which nothing was written goes again. */
export function useFirstLineTitle(path: string): void {
  const { actions, store, texts } = useServices();
  useEffect(() => {
    if (!isUntitled(path)) return;
    return () => {
      // What was typed last is stored first.
      void texts.saveAll().then(async () => {
        const text = await store.text(path);
        if (text === null) return;
        const named = titled(text);
        if (!named) return text.trim() === '' ? void (await actions.remove([path], 'Left an empty note')) : undefined;
        const renamed = await actions.rename(path, named.title);
        if ('refused' in renamed) return void refuse(renamed.refused);
        // Only the line that became the title goes; what was written meanwhile stays.
        if ((await store.text(renamed.path)) === text) await actions.replace(renamed.path, named.text, `Named: ${named.title}`);
      });
    };
  }, [actions, store, texts, path]);
}
