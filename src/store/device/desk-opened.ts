import type { NoteStore } from '../notes/note-store';
import type { DeviceMemory } from './device-memory';

/** How the desk is met: opened before, for the first time, or gone, where the browser lost the store in which it was. */
export type DeskOpening = 'none' | 'first' | 'lost';

const IN_STORE = 'opened';
/** The same beside the store, which a browser keeps also where it deletes a store that it cannot read. */
const ON_DEVICE = 'recado opened';

/** How the desk is met now. One that was opened before this was said beside the store is said there from now on. */
export async function openingOf(store: Pick<NoteStore, 'value'>, device: DeviceMemory): Promise<DeskOpening> {
  if ((await store.value(IN_STORE)) !== true) return device.get(ON_DEVICE) === null ? 'first' : 'lost';
  if (device.get(ON_DEVICE) === null) device.set(ON_DEVICE, 'yes');
  return 'none';
}

/** The desk is opened; should it not be kept, the opening is only asked for once more. */
export async function keepOpened(store: Pick<NoteStore, 'setValue'>, device: DeviceMemory): Promise<void> {
  const isKept = await store.setValue(IN_STORE, true).then(
    () => true,
    () => false,
  );
  if (isKept) device.set(ON_DEVICE, 'yes');
}
