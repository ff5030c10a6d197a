import { HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import { randomBytes } from 'node:crypto';
import { type Server, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { WebSocket } from 'ws';
import * as Y from 'yjs';
import { LENT_SOCKET, type LentToken } from '../../src/core/sharing/lend/lent-messages';
import { SharedText } from '../../src/store/device/shared-text';
import { makeApp } from '../app';
import { digest } from '../parts/secrets';
import type { Lending, LendingWish } from './lending';
import { type SocketLimits, joinSockets } from './lending-socket';

export const secretMade = (): string => randomBytes(16).toString('base64url');

/** Somebody who is joined with a text by the real protocol. */
export interface Joined {
  doc: Y.Doc;
  text: Y.Text;
  provider: SharedText;
  /** What the server said beside the text. */
  told: string[];
  /** Why it was not let in, or was put out. */
  refused: string[];
  synced: Promise<void>;
  leave: () => void;
}

/** A server of lending, as the program has it. */
export interface LendingServer {
  base: string;
  server: Server;
  lend: (wish?: Partial<LendingWish>, lent?: Lent) => Promise<Lent & { status: number }>;
  state: (lent: Lent) => Promise<Response>;
  drop: (lent: Lent) => Promise<Response>;
  join: (lent: Lent, token: LentToken) => Joined;
  close: () => Promise<void>;
}

export interface Lent {
  address: string;
  key: string;
  name: string;
}

export const lentMade = (): Lent => {
  const address = secretMade();
  return { address, key: secretMade(), name: digest(address) };
};

/** A socket that says from which page it comes. */
export function socketFrom(origin: string) {
  return class extends WebSocket {
    constructor(url: string) {
      super(url, { origin });
    }
  };
}

export async function lendingServer(lending: () => Promise<Lending | null>, data: string, limits?: SocketLimits): Promise<LendingServer> {
  const server = createServer(makeApp(data, data, { dav: null, services: null, lending }));
  const putOut = joinSockets(server, lending, limits);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const asked = (lent: Lent, method: string, body?: unknown): Promise<Response> =>
    fetch(`${base}/lending/${lent.name}`, {
      method,
      headers: { 'recado-key': lent.key, ...(body !== undefined && { 'content-type': 'application/json' }) },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
  const joined: Joined[] = [];
  return {
    base,
    server,
    lend: async (wish = {}, lent = lentMade()) => {
      const { status } = await asked(lent, 'PUT', { rights: 'write', until: null, ...wish });
      return { ...lent, status };
    },
    state: (lent) => asked(lent, 'GET'),
    drop: (lent) => asked(lent, 'DELETE'),
    join: (lent, token) => {
      const one = joinText(base, lent.name, token);
      joined.push(one);
      return one;
    },
    close: async () => {
      for (const one of joined) one.leave();
      putOut();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await (await lending())?.close();
    },
  };
}

export function joinText(base: string, name: string, token: LentToken): Joined {
  const doc = new Y.Doc();
  const [told, refused]: [string[], string[]] = [[], []];
  const websocketProvider = new HocuspocusProviderWebsocket({
    url: base.replace('http', 'ws') + LENT_SOCKET,
    WebSocketPolyfill: socketFrom(base),
    delay: 100,
    minDelay: 100,
    maxDelay: 400,
  });
  let sync: () => void = () => undefined;
  const synced = new Promise<void>((resolve) => (sync = resolve));
  const provider = new SharedText({
    ...{ websocketProvider, name, document: doc, token: JSON.stringify(token) },
    onStateless: ({ payload }) => void told.push(payload),
    onAuthenticationFailed: ({ reason }) => void refused.push(reason),
    onClose: ({ event }) => void refused.push(event.reason),
    onSynced: () => sync(),
  });
  provider.attach();
  return {
    ...{ doc, text: doc.getText('text'), provider, told, refused, synced },
    leave: () => {
      provider.destroy();
      websocketProvider.destroy();
    },
  };
}

/** Waits until something holds, and fails with what is there instead. */
export async function until(holds: () => boolean | Promise<boolean>, what: () => unknown = () => '', most = 8000): Promise<void> {
  const end = Date.now() + most;
  while (!(await holds())) {
    if (Date.now() > end) throw new Error(`It did not come: ${JSON.stringify(what())}`);
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
}
