import { type CopyPlace, browserCopies, folderCopies } from '../../../store/keep/copy-place';
import type { Services } from '../../session/state/services';
import { hasAccess } from './access';
import { FOLDER, readJoined } from '../folder/step-state';

/** A place where copies are, and how it is called; null for the browser itself. */
export interface NamedPlace {
  name: string | null;
  place: CopyPlace;
}

/** Where copies are kept now: in the browser's own file space, and in the folder that is joined where it may be written. */
export async function copyPlaces(store: Services['store']): Promise<NamedPlace[]> {
  const own = browserCopies(navigator.storage);
  const joined = readJoined(await store.value(FOLDER.value));
  return [
    ...(own ? [{ name: null, place: own }] : []),
    ...(joined && (await hasAccess(joined.handle)) ? [{ name: joined.name, place: folderCopies(joined.handle) }] : []),
  ];
}
