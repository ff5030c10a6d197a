import { keptFiles } from '../../../store/pictures/kept-files';
import { FolderSync } from '../../../store/folder/folder-sync';
import { handleFolder } from '../../../store/folder/handle-folder';
import { InSteps } from '../../../store/folder/in-step';
import type { Services } from '../../session/state/services';
import { hasAccess } from '../copies/access';
import { observed } from '../observed';
import { type OpenPlace, keepInStep } from './keep-in-step';
import { FOLDER, readJoined } from './step-state';

type OpenFolder = OpenPlace & { handle: FileSystemDirectoryHandle };

/** Keeps the folder that is joined in step with the notes, as long as this tab does the clockwork. */
export function keepFolder(services: Pick<Services, 'store' | 'texts'>, ends: AbortSignal): void {
  const { store } = services;
  let present: OpenFolder | null = null;
  let unobserve: () => void = () => undefined;
  keepInStep(
    services,
    {
      values: FOLDER,
      each: 10_000,
      rest: 20,
      open: async (before, changed) => {
        const joined = readJoined(await store.value(FOLDER.value));
        if (joined && !(await hasAccess(joined.handle))) return 'asleep';
        if (joined && present && before === present && (await present.handle.isSameEntry(joined.handle))) return present;
        unobserve();
        unobserve = () => undefined;
        if (!joined) return (present = null);
        unobserve = await observed(joined.handle, changed);
        const [folder, steps] = [handleFolder(joined.handle), await InSteps.load(store.db)];
        return (present = {
          handle: joined.handle,
          folder,
          steps,
          sync: new FolderSync(keptFiles(store), folder, steps, () => store.opener),
        });
      },
      close: () => unobserve(),
    },
    ends,
  );
}
