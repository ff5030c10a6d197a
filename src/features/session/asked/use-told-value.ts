import { useSyncExternalStore } from 'react';
import type { NoteStore } from '../../../store/notes/note-store';
import { useServices } from '../state/services';

/** How a value beside the notes is read. */
export interface ToldValue<T> {
  id: string;
  read: (given: unknown) => T;
}

/** A value as it was told last, read once for whoever shows it. */
class Told<T> {
  private value: T | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly store: NoteStore,
    private readonly of: ToldValue<T>,
  ) {
    store.listen({ valueChanged: (id) => void (id === of.id && this.look()) });
    void this.look();
  }

  readonly present = (): T | undefined => this.value;

  readonly listen = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  private async look(): Promise<void> {
    this.value = this.of.read(await this.store.value(this.of.id));
    for (const listener of this.listeners) listener();
  }
}

/** By what reads it: the same value may be read in more than one way. */
const told = new WeakMap<NoteStore, Map<object, Told<unknown>>>();

/**
 * A value that any tab may change, as it is now; undefined until it is known.
 *
 * @param of the same object each time
 */
export function useToldValue<T>(of: ToldValue<T>): T | undefined {
  const { store } = useServices();
  const all = told.get(store) ?? new Map<object, Told<unknown>>();
  told.set(store, all);
  const one = (all.get(of) as Told<T> | undefined) ?? new Told<T>(store, of);
  all.set(of, one);
  return useSyncExternalStore(one.listen, one.present);
}
