import { LENT_STATE, type LentRights, type LentState } from '../../core/sharing/lend/lent-messages';
import type { LentBranch } from './lent-branch';

/** How something is to be lent. */
export interface LendingWish {
  rights: LentRights;
  until: number | null;
  /** A word that is asked for; null for none, left out to leave it as it is. */
  word?: string | null;
  ended?: boolean;
}

/** What an owner asks of a server beside the text. Each throws where it cannot be reached. */
export interface LendingServer {
  /** @returns a plain sentence where it does not lend that */
  lend: (lent: Pick<LentBranch, 'name' | 'key'>, wish: LendingWish) => Promise<string | null>;
  /** Null where nothing is lent under that name. */
  state: (lent: Pick<LentBranch, 'name' | 'key'>) => Promise<LentState | null>;
  /** All that the server has of a text, in the form of Yjs; null where nothing is lent under that name. */
  text: (lent: Pick<LentBranch, 'name' | 'key'>) => Promise<Uint8Array | null>;
  drop: (lent: Pick<LentBranch, 'name' | 'key'>) => Promise<void>;
}

const PATIENCE = 15_000;

async function asked({ name, key }: Pick<LentBranch, 'name' | 'key'>, method: string, body?: unknown, part = ''): Promise<Response> {
  const response = await fetch(`/lending/${name}${part}`, {
    method,
    cache: 'no-store',
    signal: AbortSignal.timeout(PATIENCE),
    headers: { 'recado-key': key, ...(body !== undefined && { 'content-type': 'application/json' }) },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });
  if (response.status >= 500 && response.status !== 507) throw new Error(`The server of this page answered ${response.status}.`);
  return response;
}

/** The server that this page came from. */
export const ownServer: LendingServer = {
  lend: async (lent, wish) => {
    const response = await asked(lent, 'PUT', wish);
    return response.ok ? null : (await response.text()).trim();
  },
  state: async (lent) => {
    const response = await asked(lent, 'GET');
    return response.ok ? LENT_STATE.parse(await response.json()) : null;
  },
  text: async (lent) => {
    const response = await asked(lent, 'GET', undefined, '/text');
    return response.ok ? new Uint8Array(await response.arrayBuffer()) : null;
  },
  drop: async (lent) => void (await asked(lent, 'DELETE')),
};
