import ICAL from 'ical.js';
import express, { type Request, type Response, Router } from 'express';
import type { TaskFile, TaskFiles } from './task-files';
import { isTaskName } from './task-files';
import { type Element, type Property, type Told, condition, multistatus, readXml, within } from './xml';

/** Where the lists of the one account lie. */
export const HOME = '/dav/lists/';
const PRINCIPAL = '/dav/me/';
const TOKEN = 'urn:outside:sync:';
const LARGEST = '1mb';

/**
 * Lists of tasks by CalDAV (RFC 4791) with what changed since a token (RFC 6578): discovery from `/.well-known/caldav` (RFC 6764), each list
 * a collection of VTODO, each task a resource with an ETag.
 */
export function davRoutes(files: TaskFiles): Router {
  const routes = Router();
  routes.use('/dav', express.text({ type: () => true, limit: LARGEST }));
  routes.all('/.well-known/caldav', (_request, response) => response.redirect(301, PRINCIPAL));
  routes.use('/dav', (request, response, next) => {
    response.set('DAV', '1, 3, calendar-access, sync-collection');
    const { method } = request;
    const [list, name] = placeOf(request.originalUrl);
    if (method === 'OPTIONS') return void response.set('Allow', ALLOWED).status(200).end();
    if (method === 'PROPFIND') return propfind(files, request, response);
    if (list === null || !files.has(list))
      return method === 'MKCALENDAR' && list !== null ? make(files, list, request, response) : void response.status(404).end();
    if (method === 'REPORT') return report(files, list, request, response);
    if (name === null) return method === 'GET' ? void response.status(405).end() : next();
    switch (method) {
      case 'GET':
      case 'HEAD':
        return get(files, list, name, response);
      case 'PUT':
        return put(files, list, name, request, response);
      case 'DELETE':
        return remove(files, list, name, request, response);
      default:
        response.set('Allow', ALLOWED).status(405).end();
    }
  });
  return routes;
}

const ALLOWED = 'OPTIONS, GET, HEAD, PUT, DELETE, PROPFIND, REPORT, MKCALENDAR';

/** The list and the task that an address means; null for none. */
function placeOf(url: string): [string | null, string | null] {
  const { pathname } = new URL(url, 'http://localhost');
  const [, list, name] = /^\/dav\/lists\/([^/]+)(?:\/([^/]*))?$/.exec(pathname) ?? [];
  return [list ?? null, name === undefined || name === '' ? null : decodeURIComponent(name)];
}

const answer = (response: Response, words: string, status = 207): void =>
  void response.status(status).type('application/xml; charset=utf-8').send(words);

const addressOf = (list: string, name = ''): string => `${HOME}${list}/${encodeURIComponent(name)}`;
const tagged = ({ tag }: TaskFile): string => `"${tag}"`;

function propfind(files: TaskFiles, request: Request, response: Response): void {
  const asked = readXml(typeof request.body === 'string' && request.body !== '' ? request.body : '<propfind><allprop/></propfind>');
  if (!asked) return void response.status(400).end();
  const names = (within(asked, 'prop')[0]?.children ?? []).map(({ name }) => name);
  const depth = request.get('depth') === '0' ? 0 : 1;
  const [list, name] = placeOf(request.originalUrl);
  const { pathname } = new URL(request.originalUrl, 'http://localhost');
  if (list !== null && !files.has(list)) return void response.status(404).end();
  if (list !== null && name !== null) {
    const file = files.read(list, name);
    if (!file) return void response.status(404).end();
    return answer(response, multistatus([fileTold(list, file, names)]));
  }
  if (list !== null) {
    const own = collectionTold(files, list, names);
    return answer(response, multistatus([own, ...(depth === 1 ? files.all(list).map((file) => fileTold(list, file, names)) : [])]));
  }
  if (pathname.startsWith(HOME)) {
    const home: Told = { href: HOME, properties: chosen(names, { resourcetype: '<d:collection/>', displayname: 'Lists', ...account() }) };
    return answer(response, multistatus([home, ...(depth === 1 ? files.lists().map(({ id }) => collectionTold(files, id, names)) : [])]));
  }
  answer(
    response,
    multistatus([
      {
        href: PRINCIPAL,
        properties: chosen(names, { resourcetype: '<d:principal/>', displayname: 'The owner of the lists', ...account() }),
      },
    ]),
  );
}

const account = (): Record<string, string> => ({
  'current-user-principal': `<d:href>${PRINCIPAL}</d:href>`,
  'principal-URL': `<d:href>${PRINCIPAL}</d:href>`,
  'calendar-home-set': `<d:href>${HOME}</d:href>`,
});

const PREFIX: Record<string, string> = {
  'calendar-home-set': 'c',
  'calendar-data': 'c',
  'supported-calendar-component-set': 'c',
  getctag: 's',
};

/** The properties that were asked for, of those that are there; all of them where nothing was named. */
function chosen(names: readonly string[], there: Record<string, string>): Property[] {
  const asked = names.length > 0 ? names : Object.keys(there);
  return asked.map((name) => [`${PREFIX[name] ?? 'd'}:${name}`, there[name] ?? null]);
}

function collectionTold(files: TaskFiles, list: string, names: readonly string[]): Told {
  const title = files.lists().find(({ id }) => id === list)?.title ?? list;
  return {
    href: addressOf(list),
    properties: chosen(names, {
      resourcetype: '<d:collection/><c:calendar/>',
      displayname: title.replace(/[&<>]/g, ''),
      'supported-calendar-component-set': '<c:comp name="VTODO"/>',
      'supported-report-set': ['sync-collection', 'calendar-query', 'calendar-multiget']
        .map((one) => `<d:supported-report><d:report><${one === 'sync-collection' ? 'd' : 'c'}:${one}/></d:report></d:supported-report>`)
        .join(''),
      'sync-token': TOKEN + files.mark(list),
      getctag: String(files.mark(list)),
      ...account(),
    }),
  };
}

function fileTold(list: string, file: TaskFile, names: readonly string[]): Told {
  return {
    href: addressOf(list, file.name),
    properties: chosen(names, {
      getetag: tagged(file),
      getcontenttype: 'text/calendar; charset=utf-8; component=VTODO',
      resourcetype: '',
      ...(names.includes('calendar-data') && {
        'calendar-data': file.text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;'),
      }),
    }),
  };
}

function report(files: TaskFiles, list: string, request: Request, response: Response): void {
  const asked = typeof request.body === 'string' ? readXml(request.body) : null;
  if (!asked) return void response.status(400).end();
  const names = (within(asked, 'prop')[0]?.children ?? []).map(({ name }) => name);
  switch (asked.name) {
    case 'sync-collection':
      return sync(files, list, asked, names, response);
    case 'calendar-multiget':
      return answer(
        response,
        multistatus(
          within(asked, 'href').map(({ text }): Told => {
            const [, name] = placeOf(text.trim());
            const file = name === null ? null : files.read(list, name);
            return file ? fileTold(list, file, names) : { href: text.trim(), gone: true };
          }),
        ),
      );
    case 'calendar-query': {
      // All that lies here are tasks: what asks for more than their kind is not understood (RFC 4791, 7.8).
      const kinds = within(asked, 'comp-filter').map(({ attributes }) => attributes['name']);
      if (within(asked, 'prop-filter').length + within(asked, 'time-range').length > 0)
        return answer(response, condition('c:supported-filter'), 403);
      const fits = kinds.every((kind) => kind === 'VCALENDAR' || kind === 'VTODO');
      return answer(response, multistatus(fits ? files.all(list).map((file) => fileTold(list, file, names)) : []));
    }
    default:
      answer(response, condition('d:supported-report'), 403);
  }
}

/** What changed since a token; one that is not known any more is refused by its condition (RFC 6578, 3.2 and 3.8). */
function sync(files: TaskFiles, list: string, asked: Element, names: readonly string[], response: Response): void {
  const token = within(asked, 'sync-token')[0]?.text.trim() ?? '';
  if (token === '') {
    const all = files.all(list).map((file) => fileTold(list, file, names));
    return answer(response, multistatus(all, TOKEN + files.mark(list)));
  }
  const mark = token.startsWith(TOKEN) ? Number(token.slice(TOKEN.length)) : NaN;
  const since = files.since(list, mark);
  if (!since) return answer(response, condition('d:valid-sync-token'), 403);
  const told: Told[] = [
    ...since.changed.map((file) => fileTold(list, file, names)),
    ...since.gone.map((name): Told => ({ href: addressOf(list, name), gone: true })),
  ];
  answer(response, multistatus(told, TOKEN + since.mark));
}

function get(files: TaskFiles, list: string, name: string, response: Response): void {
  const file = files.read(list, name);
  if (!file) return void response.status(404).end();
  response.set('ETag', tagged(file)).type('text/calendar; charset=utf-8').send(file.text);
}

function put(files: TaskFiles, list: string, name: string, request: Request, response: Response): void {
  const text = typeof request.body === 'string' ? request.body : '';
  if (!isTaskName(name)) return void response.status(403).end();
  if (!isTask(text)) return answer(response, condition('c:valid-calendar-object-resource'), 403);
  const isNew = files.read(list, name) === null;
  const written = files.write(list, name, text, beforeOf(request));
  if (!written) return void response.status(412).end();
  response
    .set('ETag', tagged(written))
    .status(isNew ? 201 : 204)
    .end();
}

function remove(files: TaskFiles, list: string, name: string, request: Request, response: Response): void {
  if (!files.read(list, name)) return void response.status(404).end();
  const before = beforeOf(request);
  response.status(files.remove(list, name, before ?? undefined) ? 204 : 412).end();
}

function make(files: TaskFiles, list: string, request: Request, response: Response): void {
  if (!/^[\w-]{1,64}$/.test(list)) return void response.status(403).end();
  const asked = typeof request.body === 'string' && request.body !== '' ? readXml(request.body) : null;
  files.makeList(list, (asked && within(asked, 'displayname')[0]?.text) || list);
  response.status(201).end();
}

/** What a writer says is there: a tag, null for nothing, undefined where it does not say. */
function beforeOf(request: Request): string | null | undefined {
  if (request.get('if-none-match') === '*') return null;
  return /^"([^"]*)"$/.exec(request.get('if-match') ?? '')?.[1];
}

/** Whether it is one task, as a resource of a list must be (RFC 4791, 4.1). */
function isTask(text: string): boolean {
  try {
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const tasks = calendar.getAllSubcomponents('vtodo');
    return (
      calendar.name === 'vcalendar' && tasks.length > 0 && tasks.every((task) => typeof task.getFirstPropertyValue('uid') === 'string')
    );
  } catch {
    return false;
  }
}
