import type { ActionContext } from '../core/task/acts/action-context';
import type { Engine } from '../engine/protocol';
import { engineChanges } from './engine-changes';
import type { OutsideLists } from '../features/session/state/services';
import type { NoteStore } from '../store/notes/note-store';
import type { OutsideDesk } from '../store/outside/outside-desk';
import { OUTSIDE_VALUE } from '../store/outside/seen-lists';

/**
 * The outside lists of this tab, joined with the engine. Where any is followed, they are opened once all notes are read, so that what changes in
 * them shows in every tab.
 *
 * @param tab names the tab whose steps Undo takes back
 */
export function outsideLists(store: NoteStore, engine: Engine, tab: string, context: () => Promise<() => ActionContext>): OutsideLists {
  let opening: Promise<OutsideDesk> | null = null;
  let opened: OutsideDesk | null = null;
  const begin = async (): Promise<OutsideDesk> => {
    const [{ OutsideDesk: Desk }, made] = await Promise.all([import('../store/outside/outside-desk'), context()]);
    const desk = await Desk.open(store, tab, made);
    desk.own.listen({ changed: (changes) => void engine.apply(engineChanges(changes)) });
    return (opened = desk);
  };
  const open = (): Promise<OutsideDesk> =>
    (opening ??= begin().catch((error: unknown) => {
      opening = null;
      throw error;
    }));
  return {
    get opened() {
      return opened;
    },
    open,
  };
}

/** Opens the outside lists where any is followed, now or later. */
export function openWhereFollowed(store: NoteStore, lists: OutsideLists): void {
  const look = async (): Promise<void> => {
    if ((await store.value(OUTSIDE_VALUE)) == null) return;
    stop();
    await lists.open();
  };
  const stop = store.listen({ valueChanged: (id) => void (id === OUTSIDE_VALUE && look()) });
  void look();
}
