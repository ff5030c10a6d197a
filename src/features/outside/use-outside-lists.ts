import { useEffect, useState } from 'react';
import { OUTSIDE_VALUE, OUTSIDE_WISH, type SeenList, readSeenLists } from '../../store/outside/seen-lists';
import { useServices } from '../session/state/services';

/** The outside lists that are followed, and how they are; undefined until that is known. */
export function useOutsideLists(): SeenList[] | undefined {
  const { store } = useServices();
  const [lists, setLists] = useState<SeenList[]>();
  useEffect(() => {
    let gone = false;
    const look = async (): Promise<void> => {
      const seen = readSeenLists(await store.value(OUTSIDE_VALUE));
      if (!gone) setLists(seen);
    };
    void look();
    const stop = store.listen({ valueChanged: (id) => void (id === OUTSIDE_VALUE && look()) });
    return () => {
      gone = true;
      stop();
    };
  }, [store]);
  return lists;
}

/** Asks the tab that keeps the lists in step to look at them now. */
export function useLookNow(): () => void {
  const { store } = useServices();
  return () => void store.setValue(OUTSIDE_WISH, Date.now());
}
