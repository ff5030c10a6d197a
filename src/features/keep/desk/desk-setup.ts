import { beginSealing } from '../../../engine/desk/sealing';
import { digestOf, secret } from '../../../store/desk/desk-keys';
import { forgetDesk } from '../../../store/desk/desk-memory';
import { type DeskRemote, beginDesk, httpRemote } from '../../../store/desk/desk-remote';
import { beginKeys, fetchKeys, leaveDevices, unlinkDevice } from '../../../store/desk/device-list';
import { type NotLinked, acceptInvitation } from '../../../store/desk/invitation';
import type { DeskDevice } from '../../../store/desk/desk-keys';
import type { LinkedDesk } from '../../../store/desk/linked-desk';
import type { Sealer } from '../../../store/desk/sealer';
import { InSteps } from '../../../store/folder/in-step';
import { SHIPPED } from '../../../store/notes/origin';
import { contentOf } from '../../../store/notes/content';
import type { Services } from '../../session/state/services';
import { DESK } from './desk-values';

type Store = Services['store'];

/** The server of the page: a strict policy lets a page talk to no other. */
const SERVER = '';

/** Does something that needs sealing, in a worker that is ended with it. */
export async function withSealing<T>(work: (sealer: Sealer) => Promise<T>): Promise<T> {
  const { sealer, end } = beginSealing();
  try {
    return await work(sealer);
  } finally {
    end();
  }
}

/** Does something with the desk that this device is linked to. */
export const withDesk = <T>(linked: LinkedDesk, work: (remote: DeskRemote, sealer: Sealer) => Promise<T>): Promise<T> =>
  withSealing((sealer) => work(httpRemote(linked), sealer));

/** Begins a desk on the server, of which this is the first device: all notes go there, sealed. */
export function beginDeskHere(store: Store, name: string): Promise<void> {
  return withSealing(async (sealer) => {
    const access = { server: SERVER, id: secret(), key: secret() };
    const { identity, recipient } = await sealer.newIdentity();
    await beginDesk(access);
    await beginKeys(httpRemote(access), sealer, { id: await digestOf(access.key), name, recipient, since: Date.now() });
    await keepLinked(store, { ...access, identity, recipient, name });
  });
}

/**
 * Links this device to a desk by the words of an invitation. What shipped with the program and nobody changed here goes before, since the desk
 * has its own of it.
 */
export function linkThisDevice(store: Store, words: string, name: string): Promise<NotLinked | null> {
  return withSealing(async (sealer) => {
    const linked = await acceptInvitation(SERVER, words, name, Date.now(), sealer);
    if ('refused' in linked) return linked;
    const untouched = (await store.all()).filter((note) => note.demo === 'untouched');
    await store.commit(
      SHIPPED,
      untouched.map((note) => ({ path: note.path, expect: contentOf(note), content: null })),
    );
    await store.earlier.forgetGone(untouched.map(({ path }) => path));
    await keepLinked(store, linked);
    return null;
  });
}

async function keepLinked(store: Store, linked: LinkedDesk): Promise<void> {
  await forgetDesk(store.db, await InSteps.load(store.db, 'desk'));
  await store.setValue(DESK.state, null);
  await store.setValue(DESK.value, linked);
}

/** The devices of the desk, this one first. */
export const devicesOf = (linked: LinkedDesk): Promise<DeskDevice[]> =>
  withDesk(linked, async (remote, sealer) => {
    const mine = await digestOf(linked.key);
    const { keys } = await fetchKeys(remote, sealer, linked);
    return [...keys.devices.filter(({ id }) => id === mine), ...keys.devices.filter(({ id }) => id !== mine)];
  });

/** Lets another device in no more; the tab that keeps the desk in step seals everything anew then. */
export async function unlinkOther(store: Store, linked: LinkedDesk, device: string): Promise<void> {
  await withDesk(linked, (remote, sealer) => unlinkDevice(remote, sealer, linked, device));
  await store.setValue(DESK.wish, { wish: 'look', at: Date.now() });
}

/**
 * This device leaves the desk; its notes stay.
 *
 * @param isForced whether it leaves although the server cannot be told
 * @returns whether the desk is gone from the server with it
 */
export async function leaveDesk(store: Store, linked: LinkedDesk, isForced: boolean): Promise<boolean> {
  const isGone = isForced ? false : await withDesk(linked, (remote, sealer) => leaveDevices(remote, sealer, linked));
  await store.setValue(DESK.value, null);
  await forgetDesk(store.db, await InSteps.load(store.db, 'desk'));
  return isGone;
}
