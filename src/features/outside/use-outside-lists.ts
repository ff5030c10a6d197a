import { useCallback, useSyncExternalStore } from 'react';
import type { NoteStore } from '../../store/notes/note-store';
import { OUTSIDE_VALUE, type SeenList, askForLook, readSeenLists } from '../../store/outside/seen-lists';
import { useServices } from '../session/state/services';

/** The lists as they were told last, read once for whoever shows them. */
class ToldLists {
  private lists: SeenList[] | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(private readonly store: NoteStore) {
    store.listen({ valueChanged: (id) => void (id === OUTSIDE_VALUE && this.look()) });
    void this.look();
  }

  readonly present = (): SeenList[] | undefined => this.lists;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  private async look(): Promise<void> {
    this.lists = readSeenLists(await this.store.value(OUTSIDE_VALUE));
    for (const listener of this.listeners) listener();
  }
}

const told = new WeakMap<NoteStore, ToldLists>();

function toldOf(store: NoteStore): ToldLists {
  const present = told.get(store) ?? new ToldLists(store);
  told.set(store, present);
  return present;
}

/** The outside lists that are followed, and how they are; undefined until that is known. */
export function useOutsideLists(): SeenList[] | undefined {
  const lists = toldOf(useServices().store);
  return useSyncExternalStore(lists.listen, lists.present);
}

/** Asks the tab that keeps the lists in step to look at them now. */
export function useLookNow(): () => void {
  const { store } = useServices();
  return useCallback(() => void askForLook(store), [store]);
}
