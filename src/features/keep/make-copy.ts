import { SETTINGS_FILE } from '../../store/device/settings-file';
import type { Settings } from '../../store/device/settings';
import { addCopy } from '../../store/keep/copies';
import type { CopyPlace } from '../../store/keep/copy-place';

/**
 * Puts a copy of all notes, with the settings, into a place.
 *
 * @returns its name; null where it was stopped
 * @throws what keeps it from being packed or written
 */
export async function makeCopy(place: CopyPlace, settings: Settings, at: Date, signal: AbortSignal): Promise<string | null> {
  const { packAll } = await import('../../engine/pack');
  const zip = await packAll({ [SETTINGS_FILE]: `${JSON.stringify(settings, null, 2)}\n` }, () => undefined, signal);
  return zip && addCopy(place, zip, at);
}
