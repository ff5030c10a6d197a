import { Redis as Joined } from '@hocuspocus/extension-redis';
import type { onChangePayload } from '@hocuspocus/server';
import { Redis } from 'ioredis';
import { Lending } from './lending';
import type { LentStore } from './lent-store';

const PREFIX = 'recado-lent';
const CHANGED = 'recado-lent-changed';
/** Nothing is given up while Redis is away: it is said again when it is back. */
const PATIENT = { maxRetriesPerRequest: null } as const;
/** So long after Redis came back all texts are compared, in milliseconds: the other processes may find it a moment later. */
const COMPARED = [200, 2500];

/**
 * Texts that several processes lend together: what is changed in one is at the others by Redis, and who is put out of one is put out of all.
 *
 * @param address of a Redis server, such as redis://HOST:6379
 */
export function sharedLending(store: LentStore, address: string): Lending {
  let compare: () => void = () => undefined;
  const client = (): Redis => {
    const one = new Redis(address, PATIENT);
    // It tries again by itself.
    one.on('error', () => undefined);
    one.on('ready', () => COMPARED.forEach((wait) => setTimeout(() => compare(), wait).unref()));
    return one;
  };
  const [says, hears] = [client(), client()];
  const joined = new Joined({ createClient: client, prefix: PREFIX, disconnectDelay: 200 });
  const lending: Lending = new Lending(store, {
    extensions: [joined, { onDestroy: () => Promise.resolve([says, hears].forEach((one) => one.disconnect())) }],
    tell: (name) => void says.publish(CHANGED, name).catch(() => undefined),
  });
  // What was said while nobody listened is said by nobody again: each says what it has, and hears what it has not.
  compare = () => {
    for (const [documentName, document] of lending.hub.documents) {
      const payload = { documentName, document, transactionOrigin: null } as Partial<onChangePayload> as onChangePayload;
      void joined.onChange(payload).catch(() => undefined);
      void lending.changed(documentName).catch(() => undefined);
    }
  };
  hears.on('message', (_channel, name) => void lending.changed(name).catch(() => undefined));
  // It may be away now.
  void hears.subscribe(CHANGED).catch(() => undefined);
  return lending;
}
