import { useEffect, useMemo, useState } from 'react';
import { isPictureFile } from '../../../core/note/names/picture-path';
import { useLatest } from '../../../ui/use-latest';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useSeals } from '../../sharing/seal/use-seals';

/** What shows the pictures of a note, and keeps those that come in. Another one when a picture comes or goes, or a seal is opened. */
export interface NotePictures {
  show: (target: string) => Promise<{ url: string } | { words: string }>;
  keep: (files: readonly File[]) => Promise<string>;
}

export function usePictures(path: string): NotePictures {
  const services = useServices();
  const most = useLatest(useAppSelector((state) => state.settings.pictureSize));
  const { open } = useSeals();
  const [count, setCount] = useState(0);
  const { store } = services;
  useEffect(
    () =>
      store.listen({
        changed: (changes) => void (changes.some((change) => isPictureFile(change.path)) && setCount((before) => before + 1)),
      }),
    [store],
  );
  return useMemo(
    (): NotePictures => ({
      show: async (target) => (await import('./picture-urls')).pictureUrl(store, path, target, `${count} ${[...open].join(' ')}`),
      keep: async (files) => (await import('./keep-pictures')).keepPictures(services, path, files, most.current),
    }),
    [services, store, path, most, count, open],
  );
}
