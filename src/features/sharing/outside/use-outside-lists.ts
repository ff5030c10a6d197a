import { useCallback } from 'react';
import { OUTSIDE_VALUE, type SeenList, askForLook, readSeenLists } from '../../../store/outside/seen-lists';
import { useServices } from '../../session/state/services';
import { useToldValue } from '../../session/asked/use-told-value';

const LISTS = { id: OUTSIDE_VALUE, read: readSeenLists };

/** The outside lists that are followed, and how they are; undefined until that is known. */
export const useOutsideLists = (): SeenList[] | undefined => useToldValue(LISTS);

/** Asks the tab that keeps the lists in step to look at them now. */
export function useLookNow(): () => void {
  const { store } = useServices();
  return useCallback(() => void askForLook(store), [store]);
}
