import { SETTINGS_FILE } from '../../../store/device/settings-file';
import type { Settings } from '../../../store/device/settings';
import { addCopy } from '../../../store/keep/copies';
import { LEFT_BROWSER, leavesNow } from '../../../store/keep/left-browser';
import type { Services } from '../../session/state/services';
import type { NamedPlace } from './copy-places';

/**
 * Puts a copy of all notes, with the settings, into places; one in a folder has left the browser.
 *
 * @throws what keeps it from being packed, or from being written anywhere: it is tried in each place first
 */
export async function makeCopy(
  store: Services['store'],
  places: readonly NamedPlace[],
  settings: Settings,
  at: Date,
  signal: AbortSignal,
): Promise<void> {
  const { packAll } = await import('../../../engine/files/files');
  const zip = await packAll({ [SETTINGS_FILE]: `${JSON.stringify(settings, null, 2)}\n` }, () => undefined, signal);
  if (!zip) return;
  const done = await Promise.allSettled(
    places.map(async ({ name, place }) => {
      await addCopy(place, zip, at);
      if (name !== null) await store.changeValue(LEFT_BROWSER, leavesNow(at.getTime()));
    }),
  );
  const failed = done.find((one) => one.status === 'rejected');
  if (failed) throw failed.reason;
}
