import { useSyncExternalStore } from 'react';
import type { NoteStore } from '../../../store/notes/note-store';
import { useServices } from './services';

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

const told = new WeakMap<NoteStore, Map<string, Told<unknown>>>();

/** A value that any tab may change, as it is now; undefined until it is known. */
export function useToldValue<T>(of: ToldValue<T>): T | undefined {
  const { store } = useServices();
  const all = told.get(store) ?? new Map<string, Told<unknown>>();
  told.set(store, all);
  const one = (all.get(of.id) as Told<T> | undefined) ?? new Told<T>(store, of);
  all.set(of.id, one);
  return useSyncExternalStore(one.listen, one.present);
}
