import * as z from 'zod/mini';
import type {
  OutsideChanges,
  OutsideListing,
  OutsideTask,
  OutsideTrouble,
  OutsideWrite,
  PutResult,
  RemoveResult,
} from '../../core/sharing/outside/outside-task';
import type { OutsideAccount, OutsideList } from './outside-record';

z.config({ jitless: true });

/** What an outside service refused, or how it failed. */
export class OutsideTroubled extends Error {
  constructor(
    readonly trouble: OutsideTrouble,
    /** After how many seconds to come again. */
    readonly after: number | null = null,
  ) {
    super(TROUBLES[trouble]);
    this.name = 'OutsideTroubled';
  }
}

/** What went wrong, what was kept, and what to do. */
export const TROUBLES: Record<OutsideTrouble, string> = {
  refused: 'The service does not know this key, or does not let it do this. Nothing is lost; enter the key again.',
  away: 'The service is not reached, or does not answer in time. What is changed here goes there once it does.',
  busy: 'The service asks to come again later, which is done by itself.',
  broken: 'The service answered with what cannot be read. Nothing was changed; it is asked again.',
  missing: 'There is no such list there any more. What stands here stays.',
  barred: 'The server of this page calls no service at that address. Whoever runs it can name it in OUTSIDE.',
};

/** A look at what changed, with how far the clock there is ahead of ours, in milliseconds. */
export type RemoteLook = OutsideChanges & { skew: number };

/** An outside service as the notes reach it. All throw an `OutsideTroubled`. */
export interface OutsideRemote {
  changes(list: OutsideList): Promise<RemoteLook>;
  tasks(list: OutsideList, ids: readonly string[]): Promise<OutsideTask[]>;
  put(list: OutsideList, writes: readonly OutsideWrite[]): Promise<PutResult[]>;
  remove(list: OutsideList, removals: readonly { id: string; tag: string }[]): Promise<RemoveResult[]>;
}

const TROUBLE = z.object({
  trouble: z.enum(['refused', 'away', 'busy', 'broken', 'missing', 'barred']),
  after: z.catch(z.nullable(z.number()), null),
});
/** How long our server may take for an answer, in milliseconds. */
const PATIENCE = 120_000;

/** Asks our server to speak to a service. What it answers is ours: it is checked there. */
async function ask<T>(way: string, account: OutsideAccount, given: object): Promise<T> {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  let response: Response;
  let body: unknown;
  try {
    response = await fetch(`/services/${way}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...account, ...given, zone }),
      signal: AbortSignal.timeout(PATIENCE),
    });
    body = response.headers.get('content-type')?.includes('json') ? await response.json() : null;
  } catch {
    throw new OutsideTroubled('away');
  }
  const said = TROUBLE.safeParse(body);
  if (response.ok && body !== null && !said.success) return body as T;
  throw said.success
    ? new OutsideTroubled(said.data.trouble, said.data.after)
    : new OutsideTroubled(response.status === 429 ? 'busy' : 'broken', 30);
}

/** The lists of an account. */
export const listsOf = async (account: OutsideAccount): Promise<OutsideListing[]> =>
  (await ask<{ lists: OutsideListing[] }>('lists', account, {})).lists;

/** The services behind our server. */
export const httpRemote: OutsideRemote = {
  changes: async ({ account, id, token }) => {
    const look = await ask<OutsideChanges & { skew: number | null }>('changes', account, { list: id, token });
    return { ...look, skew: look.skew ?? 0 };
  },
  tasks: async ({ account, id }, ids) => (await ask<{ tasks: OutsideTask[] }>('tasks', account, { list: id, ids })).tasks,
  put: async ({ account, id }, writes) => (await ask<{ results: PutResult[] }>('put', account, { list: id, writes })).results,
  remove: async ({ account, id }, removals) => (await ask<{ results: RemoveResult[] }>('remove', account, { list: id, removals })).results,
};
