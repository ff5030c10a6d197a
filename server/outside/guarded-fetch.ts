import { OutsideFailure } from './outside-failure';

/** How long a service may take for an answer, in milliseconds; how large one may be, in bytes; how often it may lead on. */
const PATIENCE = 20_000;
const LARGEST = 32 * 1024 * 1024;
const MOST_LEADS = 5;
/** Where it asks to come later and does not say when, in seconds; and the longest that is believed. */
const LATER = 30;
const LATEST = 3600;

/** Which addresses may be called. */
export type Allows = (address: URL) => boolean;

/** What a call learned besides its answer. */
export interface Heard {
  /** How far the clock of the service is ahead of this one, in milliseconds; null where it says none. */
  skew: number | null;
}

/**
 * `fetch` for outside services: only to addresses that are allowed, also where it is led on; in time, and not without end. What is no answer to
 * what was asked is thrown as the failure that it is.
 *
 * @param heard is told what each answer says besides
 */
export function guardedFetch(allows: Allows, heard: Heard): typeof fetch {
  return async (input, init = {}) => {
    let address = new URL(input instanceof Request ? input.url : input);
    for (let leads = 0; leads <= MOST_LEADS; leads++) {
      if (!allows(address)) throw new OutsideFailure('barred');
      const response = await answered(address, init);
      const leadsOn = response.status >= 300 && response.status < 400 ? response.headers.get('location') : null;
      if (leadsOn === null || init.redirect === 'manual') return whole(response, heard);
      const next = new URL(leadsOn, address);
      // Who one is, is said to nobody else; the same host may ask for an encrypted address.
      const isSafer = next.hostname === address.hostname && next.protocol === 'https:';
      if (next.origin !== address.origin && !isSafer) throw new OutsideFailure('barred');
      address = next;
    }
    throw new OutsideFailure('broken');
  };
}

async function answered(address: URL, init: RequestInit): Promise<Response> {
  try {
    return await fetch(address, { ...init, redirect: 'manual', signal: AbortSignal.timeout(PATIENCE) });
  } catch {
    throw new OutsideFailure('away');
  }
}

/** The answer with all of its words; half of one is none. */
async function whole(response: Response, heard: Heard): Promise<Response> {
  const { status, headers } = response;
  if (status === 401 || status === 407) throw new OutsideFailure('refused');
  if (status === 429 || status === 503) throw new OutsideFailure('busy', secondsOf(headers.get('retry-after')));
  if (status >= 500) throw new OutsideFailure('away');
  const said = Date.parse(headers.get('date') ?? '');
  if (!Number.isNaN(said)) heard.skew = said - Date.now();
  const bytes = await bytesOf(response);
  const body = status === 204 || status === 304 || bytes.length === 0 ? null : bytes;
  const copy = new Response(body, { status, statusText: response.statusText, headers });
  Object.defineProperty(copy, 'url', { value: response.url });
  return copy;
}

async function bytesOf(response: Response): Promise<Buffer<ArrayBuffer>> {
  const parts: Uint8Array[] = [];
  let size = 0;
  try {
    for await (const part of response.body ?? []) {
      parts.push(part);
      size += part.length;
      if (size > LARGEST) break;
    }
  } catch {
    throw new OutsideFailure('broken');
  }
  if (size > LARGEST) throw new OutsideFailure('broken');
  return Buffer.concat(parts);
}

/** What Retry-After says (RFC 9110, 10.2.3): seconds, or a moment. */
function secondsOf(words: string | null): number {
  if (words === null) return LATER;
  const seconds = /^\d+$/.test(words.trim()) ? Number(words) : Math.ceil((Date.parse(words) - Date.now()) / 1000);
  return Number.isNaN(seconds) ? LATER : Math.min(LATEST, Math.max(1, seconds));
}
