import * as z from 'zod/mini';

z.config({ jitless: true });

const DEVICE = z.object({
  /** The digest of the key by which the server knows it. */
  id: z.string(),
  /** As its person calls it. */
  name: z.string(),
  /** For whom the keys are sealed, so that it alone can open them. */
  recipient: z.string(),
  /** When it was linked, in milliseconds since 1970 by its own clock. */
  since: z.number(),
});

export type DeskDevice = z.infer<typeof DEVICE>;

export const DESK_KEYS = z.object({
  /** One more each time that everything is sealed anew. */
  generation: z.int(),
  /** Whom files are sealed for, the newest first; an older one is kept until nothing is sealed for it any more. */
  identities: z.array(z.string()).check(z.minLength(1)),
  /** What names of files are computed with, as base64. */
  names: z.string(),
  devices: z.array(DEVICE),
});

/** What all devices of a desk know, and nobody else: it lies on the server sealed for each of them. */
export type DeskKeys = z.infer<typeof DESK_KEYS>;

/** The name of the file that holds it. */
export const KEYS_FILE = 'keys';

export const packKeys = (keys: DeskKeys): Uint8Array => new TextEncoder().encode(JSON.stringify(keys));

/** @throws where they are none */
export const unpackKeys = (bytes: Uint8Array): DeskKeys => DESK_KEYS.parse(JSON.parse(new TextDecoder().decode(bytes)));

/** Computes the names that files have on the server: who does not know the key cannot tell what a name means. */
export async function namer(names: string): Promise<(path: string) => Promise<string>> {
  const bytes = Uint8Array.from(atob(names), (letter) => letter.charCodeAt(0));
  const key = await crypto.subtle.importKey('raw', bytes, { name: 'HMAC', hash: 'SHA-256' }, false, ['sign']);
  return async (path) => {
    const signed = await crypto.subtle.sign('HMAC', key, new TextEncoder().encode(path));
    return base64url(new Uint8Array(signed).subarray(0, 16));
  };
}

/** 128 random bits, as an address or a key; 256 for a key that is computed with. */
export const secret = (bytes = 16): string => base64url(crypto.getRandomValues(new Uint8Array(bytes)));

/** What the server knows in the place of a key. */
export async function digestOf(key: string): Promise<string> {
  const hashed = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(key));
  return [...new Uint8Array(hashed)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** As RFC 4648, 5 writes it, without the signs that fill it up. */
function base64url(bytes: Uint8Array): string {
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');
}
