import { InSteps } from '../../../store/folder/in-step';
import { folderFailure } from '../../../store/folder/folder-failure';
import { refuse, say } from '../../session/telling/messages';
import type { Services } from '../../session/state/services';
import { folderPicker } from '../copies/access';
import { FOLDER } from './step-state';

/**
 * Lets a person choose a folder of the disk that is kept in step from now on; what fails is said.
 *
 * @returns whether one is joined
 */
export async function joinFolder(store: Services['store']): Promise<boolean> {
  try {
    const handle = await folderPicker()?.({ mode: 'readwrite', id: 'recado' });
    if (!handle) return false;
    await (await InSteps.load(store.db)).forget();
    await store.setValue(FOLDER.state, null);
    await store.setValue(FOLDER.value, { handle, name: handle.name });
    say(`“${handle.name}” is joined: its notes come in, and yours go out.`);
    return true;
  } catch (error) {
    // Whoever closes the choice wants nothing.
    if (!(error instanceof DOMException && error.name === 'AbortError')) refuse(`The folder could not be joined. ${folderFailure(error)}`);
    return false;
  }
}
