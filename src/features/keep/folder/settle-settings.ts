import type { DiskFolder } from '../../../store/folder/disk-folder';
import { mergedSettings } from '../../../store/folder/merged-settings';
import type { Services } from '../../session/state/services';

/** The settings travel with the notes. */
export const SETTINGS_FILE = '.recado/settings.json';

/**
 * Brings the settings and the file in which they travel together.
 *
 * @param baseId the value that holds what both were when they were the same last
 */
export async function settleSettings(store: Services['store'], folder: DiskFolder, baseId: string): Promise<void> {
  const found = await folder.read(SETTINGS_FILE);
  const there = found && readObject(new TextDecoder().decode(found.bytes));
  const here = asObject(await store.value('settings'));
  const base = asObject(await store.value(baseId));
  const merged = there ? mergedSettings(base, here, there) : here;
  // What was set meanwhile stays.
  if (JSON.stringify(merged) !== JSON.stringify(here))
    await store.changeValue('settings', (present) => mergedSettings(here, asObject(present), merged));
  if (JSON.stringify(merged) !== JSON.stringify(there))
    await folder.write(SETTINGS_FILE, new TextEncoder().encode(settingsWords(merged)), found?.file ?? null);
  if (JSON.stringify(merged) !== JSON.stringify(base)) await store.setValue(baseId, merged);
}

/** As the file says them. */
export const settingsWords = (settings: unknown): string => `${JSON.stringify(asObject(settings), null, 2)}\n`;

const asObject = (value: unknown): Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, unknown>) : {};

function readObject(words: string): Record<string, unknown> | null {
  try {
    const value: unknown = JSON.parse(words);
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? asObject(value) : null;
  } catch {
    return null;
  }
}
