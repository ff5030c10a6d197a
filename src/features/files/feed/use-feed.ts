import { useEffect, useState } from 'react';
import { useServices } from '../../session/state/services';
import { FEED, type Feed, readFeed } from './feed-state';

/** The calendar that the server gives; null for none, undefined until it is known. */
export function useFeed(): Feed | null | undefined {
  const { store } = useServices();
  const [feed, setFeed] = useState<Feed | null | undefined>(undefined);
  useEffect(() => {
    let gone = false;
    const look = (): void => void store.value(FEED).then((value) => !gone && setFeed(readFeed(value)));
    look();
    const stop = store.listen({ changed: () => undefined, valueChanged: (id) => id === FEED && look() });
    return () => {
      gone = true;
      stop();
    };
  }, [store]);
  return feed;
}
