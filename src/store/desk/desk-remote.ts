import * as z from 'zod/mini';
import { DeskFailure } from './desk-failure';

z.config({ jitless: true });

/** A file as the server lists it. */
export interface RemoteFile {
  name: string;
  tag: string;
}

export interface RemoteChanges {
  token: string;
  /** Whether all files are listed, and not only those that changed. */
  whole: boolean;
  files: RemoteFile[];
  gone: string[];
}

/** A desk on a server, as one of its devices reaches it; what it throws is a `DeskFailure`. */
export interface DeskRemote {
  changes(since: string | null): Promise<RemoteChanges>;
  /** Null where there is no such file. */
  get(name: string): Promise<{ bytes: Uint8Array; tag: string } | null>;
  /** @returns the new tag; null where something else is there by now */
  put(name: string, bytes: Uint8Array, before: string | null): Promise<string | null>;
  /** Lets another device in, or no more, by the digest of its key. */
  grant(device: string): Promise<void>;
  revoke(device: string): Promise<void>;
  /** Removes the desk from the server. */
  drop(): Promise<void>;
}

const CHANGES = z.object({
  token: z.string(),
  whole: z.boolean(),
  files: z.array(z.object({ name: z.string(), tag: z.string() })),
  gone: z.array(z.string()),
});

/** How long one answer may take, in milliseconds. */
export const PATIENCE = 60_000;

/** What tells the server which device asks, and of which desk. */
export interface DeskAccess {
  /** The origin of the server; empty for that of the page. */
  server: string;
  id: string;
  key: string;
}

/** Reaches a desk by HTTP. */
export function httpRemote({ server, id, key }: DeskAccess, fetching: typeof fetch = fetch): DeskRemote {
  const ask = async (way: string, given: RequestInit = {}, fine: readonly number[] = []): Promise<Response> => {
    const headers = { 'recado-key': key, ...(given.headers as Record<string, string> | undefined) };
    let response: Response;
    try {
      response = await fetching(`${server}/desks/${id}${way}`, {
        cache: 'no-store',
        ...given,
        headers,
        signal: AbortSignal.timeout(PATIENCE),
      });
    } catch {
      throw new DeskFailure('away');
    }
    if (response.ok || fine.includes(response.status)) return response;
    throw new DeskFailure(
      response.status === 404 ? 'unlinked' : response.status === 507 ? 'full' : response.status === 429 ? 'busy' : 'wrong',
    );
  };
  const whole = async <T>(read: Promise<T>): Promise<T> => {
    try {
      return await read;
    } catch {
      // The answer was cut off on its way.
      throw new DeskFailure('away');
    }
  };
  return {
    changes: async (since) => {
      const response = await ask(`/changes${since === null ? '' : `?since=${encodeURIComponent(since)}`}`);
      const read = CHANGES.safeParse(await whole(response.json()));
      if (!read.success) throw new DeskFailure('wrong');
      return read.data;
    },
    get: async (name) => {
      const response = await ask(`/files/${name}`, {}, [410]);
      if (!response.ok) return null;
      return { bytes: new Uint8Array(await whole(response.arrayBuffer())), tag: tagOf(response) };
    },
    put: async (name, bytes, before) => {
      const headers = {
        'content-type': 'application/octet-stream',
        ...(before === null ? { 'if-none-match': '*' } : { 'if-match': `"${before}"` }),
      };
      const response = await ask(`/files/${name}`, { method: 'PUT', headers, body: bytes as Uint8Array<ArrayBuffer> }, [412]);
      return response.ok ? tagOf(response) : null;
    },
    grant: async (device) => void (await ask(`/devices/${device}`, { method: 'PUT' })),
    revoke: async (device) => void (await ask(`/devices/${device}`, { method: 'DELETE' })),
    drop: async () => void (await ask('', { method: 'DELETE' }, [404])),
  };
}

/** Begins a desk on a server; asked again, since the answer was lost, it is the same. */
export async function beginDesk({ server, id, key }: DeskAccess): Promise<void> {
  let response: Response;
  try {
    response = await fetch(`${server}/desks/${id}`, {
      method: 'PUT',
      headers: { 'recado-key': key },
      signal: AbortSignal.timeout(PATIENCE),
    });
  } catch {
    throw new DeskFailure('unreached');
  }
  if (!response.ok) throw new DeskFailure(response.status === 507 ? 'full' : response.status === 429 ? 'busy' : 'wrong');
}

const tagOf = (response: Response): string => (response.headers.get('etag') ?? '').replace(/^W\//, '').replaceAll('"', '');
