import { Redis as Joined } from '@hocuspocus/extension-redis';
import { Redis } from 'ioredis';
import { Lending } from './lending';
import type { LentStore } from './lent-store';

const PREFIX = 'recado-lent';
const CHANGED = 'recado-lent-changed';
/** Nothing is given up while Redis is away: it is said again when it is back. */
const PATIENT = { maxRetriesPerRequest: null } as const;

/**
 * Texts that several processes lend together: what is changed in one is at the others by Redis, and who is put out of one is put out of all.
 *
 * @param address of a Redis server, such as redis://HOST:6379
 */
export function sharedLending(store: LentStore, address: string): Lending {
  const client = (): Redis => quiet(new Redis(address, PATIENT));
  const [says, hears] = [client(), client()];
  const joined = new Joined({ createClient: client, prefix: PREFIX, disconnectDelay: 200 });
  const lending: Lending = new Lending(store, {
    extensions: [joined, { onDestroy: () => Promise.resolve([says, hears].forEach((one) => one.disconnect())) }],
    tell: (name) => void says.publish(CHANGED, name).catch(() => undefined),
  });
  hears.on('message', (_channel, name) => void lending.changed(name).catch(() => undefined));
  // It may be away now.
  void hears.subscribe(CHANGED).catch(() => undefined);
  return lending;
}

/** It tries again by itself. */
function quiet(client: Redis): Redis {
  client.on('error', () => undefined);
  return client;
}
