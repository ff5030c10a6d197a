import type { NoteStore } from '../../../store/notes/note-store';
import { OUTSIDE_VALUE, askForLook, readSeenLists } from '../../../store/outside/seen-lists';
import { say } from '../../session/telling/messages';

/** Asks the tab that keeps the outside lists in step to look at them now; says so where none is followed. */
export async function lookNow(store: NoteStore): Promise<void> {
  if (readSeenLists(await store.value(OUTSIDE_VALUE)).length === 0) return void say('No outside list is followed here.');
  say('Looking at the outside lists.');
  await askForLook(store);
}
