import type { Day } from '../../../core/calendar/day';
import type { DateStyle } from '../../../core/calendar/day-name';
import type { LentRights } from '../../../core/sharing/lend/lent-messages';
import type { SeenLent } from '../../../store/lending/seen-lent';
import { momentName } from '../../keep/kept-words';

/** The address that is given to a borrower; what makes it one of its kind stands behind the number sign, which no server is sent. */
export const lentAddress = (origin: string, address: string): string => `${origin}/lent/#${address}`;

/** The secret of an address that was lent, wherever it comes from; null for another address. */
export function lentSecret(address: string): string | null {
  if (!URL.canParse(address)) return null;
  const { pathname, hash, protocol } = new URL(address);
  return /^https?:$/.test(protocol) && /^\/lent\/?$/.test(pathname) && /^#[\w-]{22}$/.test(hash) ? hash.slice(1) : null;
}

/** Who can reach a page by the name of its machine. */
export type Reach = 'alone' | 'near' | 'all';

/**
 * Private addresses are those of RFC 1918 and RFC 4193, names for the same network those of RFC 6762.
 *
 * @param host as a page’s address has it, without the port
 */
export function reachOf(host: string): Reach {
  const name = host.replace(/^\[|\]$/g, '').toLowerCase();
  if (name === 'localhost' || name.endsWith('.localhost') || /^127\./.test(name) || name === '::1') return 'alone';
  if (/^(?:10\.|192\.168\.|169\.254\.|172\.(?:1[6-9]|2\d|3[01])\.)/.test(name) || /^f[cde]/.test(name.includes(':') ? name : ''))
    return 'near';
  if (name.includes(':')) return 'all';
  return name.endsWith('.local') || !name.includes('.') ? 'near' : 'all';
}

export const REACH_WORDS: Record<Reach, string> = {
  alone: 'This page is open on this machine alone: nobody else can reach its address.',
  near: 'Whoever is in the same network as this machine can reach the address, and nobody else.',
  all: 'Whoever has the address can open it from anywhere this server is reached.',
};

export const RIGHTS_WORDS: Record<LentRights, string> = { read: 'to read', tick: 'to tick', write: 'to write' };

/** What became of what is lent, in one line. */
export function seenWords(
  { there, since, until }: Pick<SeenLent, 'there' | 'since' | 'until'>,
  day: Day,
  style: DateStyle,
  now: number,
): string {
  const parts = [`lent ${momentName(since, day, style)}`];
  if (!there) parts.push('the server was not reached yet');
  else {
    parts.push(there.opened === null ? 'not opened yet' : `opened last ${momentName(there.opened, day, style)}`);
    parts.push(
      there.changes === 0 ? 'nothing changed' : there.changes === 1 ? 'one change' : `${there.changes.toLocaleString('en')} changes`,
    );
    if (there.there > 0) parts.push(there.there === 1 ? 'one is there now' : `${there.there} are there now`);
  }
  if (until !== null)
    parts.push(until <= now ? 'its last day is over' : `until ${momentName(until - 1, day, style).replace(/ \d\d:\d\d$/, '')}`);
  return parts.join(' · ');
}
