import * as z from 'zod/mini';
import { DeskFailure } from './desk-failure';
import { DESK_KEYS, type DeskDevice, type DeskKeys, KEYS_FILE, digestOf, secret } from './desk-keys';
import { type DeskAccess, type DeskRemote, PATIENCE, httpRemote } from './desk-remote';
import { fetchKeys, writeKeys } from './device-list';
import { type LinkWords, newLinkWords, readLinkWords } from './link-words';
import type { LinkedDesk } from './linked-desk';
import type { Sealer } from './sealer';

z.config({ jitless: true });

/** So often a new device writes itself among the others where the server is not reached, and so much longer it waits each time, in milliseconds. */
const TRIES = 3;
const PAUSE = 1000;

/** How long the server keeps an invitation, in milliseconds. */
export const INVITATION_LASTS = 10 * 60_000;

const SHAPE = z.object({
  id: z.string(),
  /** By which the server lets the new device in. */
  key: z.string(),
  keys: DESK_KEYS,
  /** Of the keys as they lay on the server: where others lie there by now, the invitation is too old. */
  tag: z.string(),
});

/** An invitation as it waits on the server. */
export interface Invited extends LinkWords {
  /** The digest of the key of the device that is invited. */
  device: string;
}

/** Leaves an invitation of another device on the server for ten minutes, sealed by its words. */
export async function invite(remote: DeskRemote, sealer: Sealer, linked: LinkedDesk): Promise<Invited> {
  const { keys, tag } = await fetchKeys(remote, sealer, linked);
  const key = secret();
  const device = await digestOf(key);
  await remote.grant(device);
  const words = newLinkWords();
  const said = new TextEncoder().encode(JSON.stringify({ id: linked.id, key, keys, tag }));
  const sealed = await sealer.sealByWords(said, words.opens);
  const response = await post(linked.server, words.place, {
    method: 'PUT',
    body: sealed as Uint8Array<ArrayBuffer>,
    headers: { 'content-type': 'application/octet-stream' },
  });
  if (!response.ok) throw new DeskFailure(response.status === 429 ? 'busy' : 'wrong');
  return { ...words, device };
}

/** Takes it back, unless a device was linked by it: whoever read the words over a shoulder is let in no more. */
export async function withdrawInvitation(
  remote: DeskRemote,
  sealer: Sealer,
  linked: LinkedDesk,
  { device, place }: Invited,
): Promise<void> {
  await post(linked.server, place, { method: 'DELETE' }).catch(() => undefined);
  const { keys } = await fetchKeys(remote, sealer, linked);
  if (!keys.devices.some(({ id }) => id === device)) await remote.revoke(device);
}

/** Why a device was not linked. */
export type NotLinked = { refused: string };

/**
 * Links this device by the words of an invitation, as they were typed.
 *
 * @param name how this device is to be called among the others
 * @throws DeskFailure where the server is not reached, or answers as none would
 */
export async function acceptInvitation(
  server: string,
  typed: string,
  name: string,
  now: number,
  sealer: Sealer,
): Promise<LinkedDesk | NotLinked> {
  const words = readLinkWords(typed);
  if ('wrong' in words) return { refused: words.wrong };
  const response = await post(server, words.place);
  if (!response.ok)
    return {
      refused:
        response.status === 429
          ? new DeskFailure('busy').message
          : 'No invitation waits there. It lasts ten minutes and works once: ask for new words.',
    };
  const invitation = await opened(sealer, new Uint8Array(await response.arrayBuffer()), words.opens);
  if (!invitation) return { refused: 'These words do not open the invitation. Ask for new ones, and look at each.' };
  const { identity, recipient } = await sealer.newIdentity();
  const access: DeskAccess = { server, id: invitation.id, key: invitation.key };
  const { keys } = invitation;
  const called = freeName(
    name,
    keys.devices.map((one) => one.name),
  );
  const device: DeskDevice = { id: await digestOf(invitation.key), name: called, recipient, since: now };
  const linked = { ...access, identity, recipient, name: called };
  try {
    if (await isWrittenAmong(linked, sealer, { ...keys, devices: [...keys.devices, device] }, invitation.tag)) return linked;
    return { refused: `The desk changed since it was asked to link a device (its ${KEYS_FILE} are others now). Ask for new words.` };
  } catch (error) {
    if (!isAway(error)) throw error;
    return {
      refused: 'The server was not reached again, and the words work once: ask for new words, and unlink this device there if it is named.',
    };
  }
}

/** Writes the keys with the new device in them; where the answer is lost on its way, again. */
async function isWrittenAmong(linked: LinkedDesk, sealer: Sealer, keys: DeskKeys, before: string): Promise<boolean> {
  const remote = httpRemote(linked);
  for (let attempt = 1; ; attempt++)
    try {
      if (await writeKeys(remote, sealer, keys, before)) return true;
      // An earlier try may have come there all the same: then these keys are opened by what this device alone has.
      return attempt > 1 && (await fetchKeys(remote, sealer, linked).catch(() => null)) !== null;
    } catch (error) {
      if (attempt === TRIES || !isAway(error)) throw error;
      await new Promise((resolve) => setTimeout(resolve, attempt * PAUSE));
    }
}

const isAway = (error: unknown): boolean => error instanceof DeskFailure && error.trouble === 'away';

/** @example freeName('Phone', ['Phone']) // 'Phone 2' */
function freeName(name: string, taken: readonly string[]): string {
  let free = name;
  for (let count = 2; taken.includes(free); count++) free = `${name} ${count}`;
  return free;
}

async function opened(sealer: Sealer, sealed: Uint8Array, words: string): Promise<z.infer<typeof SHAPE> | null> {
  try {
    return SHAPE.parse(JSON.parse(new TextDecoder().decode(await sealer.openByWords(sealed, words))));
  } catch {
    return null;
  }
}

/** @throws DeskFailure where the server is not reached */
async function post(server: string, place: string, given: RequestInit = {}): Promise<Response> {
  try {
    return await fetch(`${server}/invitations/${place}`, { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE), ...given });
  } catch {
    throw new DeskFailure('unreached');
  }
}
