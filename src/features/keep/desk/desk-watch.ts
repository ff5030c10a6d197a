import { beginSealing } from '../../../engine/desk/sealing';
import { DeskFolder } from '../../../store/desk/desk-folder';
import { deskMemory } from '../../../store/desk/desk-memory';
import { httpRemote } from '../../../store/desk/desk-remote';
import { fetchKeys, letOldKeysGo } from '../../../store/desk/device-list';
import { readLinkedDesk } from '../../../store/desk/linked-desk';
import type { Sealer } from '../../../store/desk/sealer';
import { keptFiles } from '../../../store/pictures/kept-files';
import { FolderSync } from '../../../store/folder/folder-sync';
import { InSteps } from '../../../store/folder/in-step';
import { counted } from '../../session/acting/use-act';
import type { Services } from '../../session/state/services';
import { type OpenPlace, keepInStep } from '../folder/keep-in-step';
import { SETTINGS_FILE, settingsWords } from '../folder/settle-settings';
import { DESK } from './desk-values';

/** Keeps the desk on a server in step with the notes, as long as this tab does the clockwork. */
export function keepDesk(services: Pick<Services, 'store' | 'texts'>, ends: AbortSignal): void {
  const { store } = services;
  let present: (OpenPlace & { sign: string }) | null = null;
  let sealing: { sealer: Sealer; end: () => void } | null = null;
  keepInStep(
    services,
    {
      values: DESK,
      each: 5_000,
      // Most of a look waits for the server.
      rest: 3,
      open: async (before) => {
        const linked = readLinkedDesk(await store.value(DESK.value));
        if (!linked) return (present = null);
        const sign = `${linked.server} ${linked.id} ${linked.key}`;
        if (present && before === present && present.sign === sign) return present;
        sealing ??= beginSealing();
        const { sealer } = sealing;
        const steps = await InSteps.load(store.db, 'desk');
        const settings = async (path: string) => (path === SETTINGS_FILE ? settingsWords(await store.value(DESK.settings)) : null);
        const memory = deskMemory(store.db, steps, settings, (path) => present?.sync.touched(path));
        const remote = httpRemote(linked);
        const folder = await DeskFolder.open(remote, sealer, memory, () => fetchKeys(remote, sealer, linked));
        return (present = {
          ...{ sign, folder, steps, sync: new FolderSync(keptFiles(store), folder, steps, () => store.opener) },
          looked: async (stopped, says) => {
            await folder.flush();
            // What another device began, or this one before it was closed, is gone on with.
            if (folder.present.identities.length === 1) return;
            const left = await folder.sealAnew(stopped, (count) => says(`Everything is sealed anew: ${counted(count, 'file')} to go.`));
            if (left === 0) await letOldKeysGo(remote, sealer, linked);
          },
        });
      },
      close: () => sealing?.end(),
    },
    ends,
  );
}
