import type { Services } from '../state/services';

type Stores = Pick<Services, 'store' | 'outside'>;

/**
 * Takes a step back: the one that is meant, or the newest of this tab, of the notes or of the outside lists.
 *
 * @param step below zero for one of the outside lists
 */
export async function takeBack({ store, outside }: Stores, step?: number) {
  if (step !== undefined) return step < 0 ? (await outside.open()).own.steps.undoStep(-step) : store.steps.undoStep(step);
  const lists = outside.opened?.own.steps;
  const [newest, ofLists] = await Promise.all([store.steps.last(), lists?.last()]);
  const isOfLists = ofLists != null && ofLists.at >= (newest?.at ?? 0);
  isLast = isOfLists ? 'lists' : 'notes';
  return isOfLists && lists ? lists.undo() : store.steps.undo();
}

/** Where the newest step that was taken back was: it is done again first. */
let isLast: 'notes' | 'lists' = 'notes';

/** Does the newest step that was taken back again. */
export async function doAgain({ store, outside }: Stores) {
  const lists = outside.opened?.own.steps;
  const [first, other] = isLast === 'lists' ? [lists, store.steps] : [store.steps, lists];
  return (await first?.redo()) ?? (await other?.redo()) ?? null;
}
