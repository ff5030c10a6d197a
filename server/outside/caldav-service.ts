import { createAccount, type DAVResponse, davRequest, fetchCalendars, syncCollection } from 'tsdav';
import type { OutsideChanges, OutsideListing, OutsideTask, OutsideWrite, Put } from '../../src/core/sharing/outside/outside-task';
import { type Zone, readVtodo, writtenVtodo } from '../../src/core/sharing/outside/vtodo';
import type { Now } from '../../src/core/calendar/span';
import { type Allows, type Heard, guardedFetch } from './guarded-fetch';
import { OutsideFailure } from './outside-failure';
import type { OutsideService } from './outside-service';

/** An account of a service. */
export interface CaldavAccount {
  address: string;
  user: string;
  key: string;
}

const CALDAV = 'urn:ietf:params:xml:ns:caldav';

/** So many tasks are asked for in one request. */
const AT_ONCE = 100;

/**
 * Lists of a CalDAV server (RFC 4791): each a calendar that takes VTODO, each task a resource with an ETag, and what changed by the tokens of
 * RFC 6578. A server that knows no tokens is looked at whole, by its tags.
 */
export class CaldavService implements OutsideService {
  private readonly headers: Record<string, string>;
  private readonly fetch: typeof fetch;
  readonly heard: Heard = { skew: null };

  constructor(
    private readonly account: CaldavAccount,
    private readonly zone: Zone,
    allows: Allows,
    private readonly now: () => Now,
  ) {
    this.headers = { authorization: `Basic ${Buffer.from(`${account.user}:${account.key}`).toString('base64')}` };
    this.fetch = guardedFetch(allows, this.heard);
  }

  async lists(): Promise<OutsideListing[]> {
    // What the library passes over while it tries one address after the other is what went wrong.
    const troubles: OutsideFailure[] = [];
    const told: typeof fetch = async (input, init) => {
      try {
        return await this.fetch(input, init);
      } catch (error) {
        if (error instanceof OutsideFailure) troubles.push(error);
        throw error;
      }
    };
    const given = { headers: this.headers, fetch: told };
    try {
      const account = await createAccount({ account: { serverUrl: this.account.address, accountType: 'caldav' }, ...given });
      const found = await fetchCalendars({ account, ...given });
      return found
        .filter(({ components }) => !components || components.length === 0 || components.includes('VTODO'))
        .map(({ url, displayName }) => ({ id: url, title: titleOf(displayName, url) }));
    } catch (error) {
      throw troubles.find(({ trouble }) => trouble !== 'away') ?? troubles[0] ?? asFailure(error);
    }
  }

  async changes(list: string, token: string | null): Promise<OutsideChanges> {
    const found = await this.ask(() =>
      syncCollection({
        ...{ url: list, props: { 'd:getetag': {} }, syncLevel: 1, headers: this.headers, fetch: this.fetch },
        ...(token !== null && { syncToken: token }),
      }),
    );
    const [first] = found;
    const status = first?.status ?? 0;
    if (first && !first.ok && !isListed(first)) {
      // The token is too old, or was never one (RFC 6578, 3.2): everything is looked at.
      if (token !== null && (status === 403 || status === 409 || status === 400)) return this.changes(list, null);
      if (status === 404) throw new OutsideFailure('missing');
      // Nothing is known of tokens there.
      if (status === 403 || status === 405 || status === 501 || status === 400) return this.allOf(list);
      throw new OutsideFailure('broken');
    }
    const next = tokenOf(found);
    if (next === null) throw new OutsideFailure('broken');
    // One answer may leave some of it for the next (RFC 6578, 3.6); its own line says so.
    const isCut = found.some((one) => one.status === 507);
    const listed = found.filter((one) => one.href !== undefined && one.status !== 507 && !this.isSame(one.href, list));
    const gone = listed.filter(({ status: said }) => said === 404).map(({ href }) => this.addressOf(href, list));
    const changed = listed.filter(({ status: said }) => said !== 404).flatMap((one) => this.listed(one, list));
    if (!isCut) return { token: next, whole: token === null, changed, gone };
    const rest = await this.changes(list, next);
    return {
      ...{ token: rest.token, whole: token === null, gone: [...gone, ...rest.gone] },
      changed: [...changed.filter(({ id }) => !rest.changed.some((one) => one.id === id)), ...rest.changed],
    };
  }

  /** All tasks of a list by their tags, from a server that knows no tokens. */
  private async allOf(list: string): Promise<OutsideChanges> {
    const found = await this.ask(() =>
      davRequest({
        ...{ url: list, fetch: this.fetch },
        init: {
          ...{ method: 'PROPFIND', namespace: 'd', headers: { ...this.headers, depth: '1' } },
          body: { propfind: { _attributes: { 'xmlns:d': 'DAV:' }, prop: { 'd:getetag': {} } } },
        },
      }),
    );
    if (found[0]?.status === 404) throw new OutsideFailure('missing');
    const changed = found.filter((one) => one.href !== undefined && !this.isSame(one.href, list)).flatMap((one) => this.listed(one, list));
    return { token: '', whole: true, changed, gone: [] };
  }

  async tasks(list: string, ids: readonly string[]): Promise<OutsideTask[]> {
    const tasks: OutsideTask[] = [];
    for (let at = 0; at < ids.length; at += AT_ONCE) {
      const some = ids.slice(at, at + AT_ONCE);
      const found = await this.ask(() =>
        davRequest({
          ...{ url: list, fetch: this.fetch },
          init: {
            ...{ method: 'REPORT', namespace: 'c', headers: { ...this.headers, depth: '1' } },
            body: {
              'calendar-multiget': {
                _attributes: { 'xmlns:d': 'DAV:', 'xmlns:c': CALDAV },
                'd:prop': { 'd:getetag': {}, 'c:calendar-data': {} },
                'd:href': some.map((id) => new URL(id).pathname),
              },
            },
          },
        }),
      );
      if (found[0] && !found[0].ok && !isListed(found[0])) throw new OutsideFailure(found[0].status === 404 ? 'missing' : 'broken');
      for (const one of found) {
        const source = textOf(one.props?.['calendarData']);
        const tag = tagOf(one);
        const face = source === null ? null : readVtodo(source, this.zone);
        if (one.href !== undefined && source !== null && tag !== null && face)
          tasks.push({ id: this.addressOf(one.href, list), tag, source, face });
      }
    }
    return tasks;
  }

  async put(list: string, { id, uid, tag, source, change }: OutsideWrite): Promise<Put> {
    const address = id === null ? new URL(`${encodeURIComponent(uid)}.ics`, list.replace(/\/*$/, '/')).href : this.ownAddress(id, list);
    const text = writtenVtodo(source, uid, change, this.zone, this.now());
    const response = await this.send('PUT', address, tag, text);
    if (response.status === 412 || response.status === 409 || (response.status === 404 && tag !== null))
      return { is: 'other', task: (await this.tasks(list, [address]))[0] ?? null };
    if (response.status === 403) throw new OutsideFailure('refused');
    if (!response.ok) throw new OutsideFailure(response.status === 404 ? 'missing' : 'broken');
    const next = response.headers.get('etag');
    const face = readVtodo(text, this.zone);
    if (next !== null && !next.startsWith('W/') && face) return { is: 'done', task: { id: address, tag: next, source: text, face } };
    // A server that says no tag changed what it was given (RFC 4791, 5.3.4).
    const [read] = await this.tasks(list, [address]);
    return read ? { is: 'done', task: read } : { is: 'other', task: null };
  }

  async remove(list: string, id: string, tag: string): Promise<boolean> {
    const response = await this.send('DELETE', this.ownAddress(id, list), tag);
    if (response.status === 412) return false;
    if (response.status === 403) throw new OutsideFailure('refused');
    return response.ok || response.status === 404 || response.status === 410;
  }

  private async send(method: string, address: string, tag: string | null, text?: string): Promise<Response> {
    return this.fetch(address, {
      method,
      headers: {
        ...this.headers,
        ...(tag === null ? { 'if-none-match': '*' } : { 'if-match': tag }),
        ...(text !== undefined && { 'content-type': 'text/calendar; charset=utf-8' }),
      },
      ...(text !== undefined && { body: text }),
    });
  }

  private async ask(call: () => Promise<DAVResponse[]>): Promise<DAVResponse[]> {
    try {
      return await call();
    } catch (error) {
      throw asFailure(error);
    }
  }

  private listed(one: DAVResponse, list: string): { id: string; tag: string }[] {
    const tag = tagOf(one);
    // Collections within the list have a tag of another kind, or none.
    return tag === null || one.href === undefined || one.href.endsWith('/') ? [] : [{ id: this.addressOf(one.href, list), tag }];
  }

  private addressOf(href: string | undefined, list: string): string {
    return new URL(href ?? '', list).href;
  }

  private isSame(href: string, list: string): boolean {
    const plain = (address: string): string => new URL(address, list).pathname.replace(/\/*$/, '/');
    return plain(href) === plain(list);
  }

  /** The address of a task lies in its list, whatever a page says. */
  private ownAddress(id: string, list: string): string {
    if (!URL.canParse(id, list) || new URL(id, list).origin !== new URL(list).origin) throw new OutsideFailure('barred');
    return new URL(id, list).href;
  }
}

const isListed = (one: DAVResponse): boolean => typeof one.raw === 'object' && one.raw !== null && 'multistatus' in one.raw;

function tokenOf([first]: DAVResponse[]): string | null {
  const raw: unknown = first?.raw;
  const multistatus: unknown = typeof raw === 'object' && raw !== null && 'multistatus' in raw ? raw.multistatus : null;
  const token: unknown =
    typeof multistatus === 'object' && multistatus !== null && 'syncToken' in multistatus ? multistatus.syncToken : null;
  return textOf(token);
}

/** What the library read of an element: text, a number where it looked like one, or data set apart. */
function textOf(value: unknown): string | null {
  if (typeof value === 'string') return value;
  if (typeof value === 'number') return String(value);
  if (typeof value !== 'object' || value === null) return null;
  if ('_cdata' in value) return textOf(value._cdata);
  return '_text' in value ? textOf(value._text) : null;
}

const tagOf = ({ props }: DAVResponse): string | null => textOf(props?.['getetag']);

const titleOf = (name: unknown, url: string): string =>
  textOf(name)?.trim() || decodeURIComponent(new URL(url).pathname).split('/').filter(Boolean).pop() || url;

const asFailure = (error: unknown): OutsideFailure => (error instanceof OutsideFailure ? error : new OutsideFailure('broken'));
