import { DeskFailure } from './desk-failure';
import { type DeskDevice, type DeskKeys, KEYS_FILE, digestOf, packKeys, unpackKeys } from './desk-keys';
import type { DeskRemote } from './desk-remote';
import type { LinkedDesk } from './linked-desk';
import type { Sealer } from './sealer';

/** So often it is tried to write the keys where other devices write them too. */
const TRIES = 5;

/**
 * Fetches the keys of a desk, and opens what is sealed for this device.
 *
 * @throws DeskFailure where the device is not among those that they are sealed for
 */
export async function fetchKeys(
  remote: DeskRemote,
  sealer: Sealer,
  { identity }: Pick<LinkedDesk, 'identity'>,
): Promise<{ keys: DeskKeys; tag: string }> {
  const found = await remote.get(KEYS_FILE);
  if (!found) throw new DeskFailure('wrong');
  try {
    const { bytes } = await sealer.open(found.bytes, [identity]);
    return { keys: unpackKeys(bytes), tag: found.tag };
  } catch {
    throw new DeskFailure('unlinked');
  }
}

/** Writes the first keys of a desk, of which this is the first device. */
export async function beginKeys(remote: DeskRemote, sealer: Sealer, device: DeskDevice): Promise<void> {
  const { identity } = await sealer.newIdentity();
  const names = btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(32))));
  await writeKeys(remote, sealer, { generation: 0, identities: [identity], names, devices: [device] }, null);
}

/** Changes the keys from what they are, while other devices may do so too; null leaves them. */
export async function changeKeys(
  remote: DeskRemote,
  sealer: Sealer,
  read: () => Promise<{ keys: DeskKeys; tag: string }>,
  change: (keys: DeskKeys) => Promise<DeskKeys | null> | DeskKeys | null,
): Promise<DeskKeys> {
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const { keys, tag } = await read();
    const next = await change(keys);
    if (next === null || (await writeKeys(remote, sealer, next, tag))) return next ?? keys;
  }
  throw new DeskFailure('busy');
}

/** @returns whether they were written: false where other keys are there than the writer saw */
export async function writeKeys(remote: DeskRemote, sealer: Sealer, keys: DeskKeys, before: string | null): Promise<boolean> {
  const sealed = await sealer.sealFor(
    packKeys(keys),
    keys.devices.map(({ recipient }) => recipient),
  );
  return (await remote.put(KEYS_FILE, sealed, before)) !== null;
}

/**
 * Lets a device in no more, and makes a new identity for all that is sealed from now on: what the device knows opens nothing that comes, and
 * what lies there is sealed anew by `DeskFolder.sealAnew`.
 */
export async function unlinkDevice(remote: DeskRemote, sealer: Sealer, linked: LinkedDesk, device: string): Promise<void> {
  // First it comes in no more, whatever becomes of the rest.
  await remote.revoke(device);
  await changeKeys(
    remote,
    sealer,
    () => fetchKeys(remote, sealer, linked),
    async (keys) => {
      const { identity } = await sealer.newIdentity();
      return {
        ...keys,
        generation: keys.generation + 1,
        identities: [identity, ...keys.identities],
        devices: keys.devices.filter(({ id }) => id !== device),
      };
    },
  );
}

/** Once nothing is sealed for an older identity, it goes. */
export async function letOldKeysGo(remote: DeskRemote, sealer: Sealer, linked: LinkedDesk): Promise<void> {
  const read = (): Promise<{ keys: DeskKeys; tag: string }> => fetchKeys(remote, sealer, linked);
  await changeKeys(remote, sealer, read, (keys) =>
    keys.identities.length === 1 ? null : { ...keys, identities: keys.identities.slice(0, 1) },
  );
}

/** This device leaves. @returns whether it was the last, and the desk is gone from the server with it */
export async function leaveDevices(remote: DeskRemote, sealer: Sealer, linked: LinkedDesk): Promise<boolean> {
  const mine = await digestOf(linked.key);
  const read = (): Promise<{ keys: DeskKeys; tag: string }> => fetchKeys(remote, sealer, linked);
  const { keys } = await read();
  if (keys.devices.every(({ id }) => id === mine)) {
    await remote.drop();
    return true;
  }
  await changeKeys(remote, sealer, read, (present) => ({ ...present, devices: present.devices.filter(({ id }) => id !== mine) }));
  await remote.revoke(mine);
  return false;
}
