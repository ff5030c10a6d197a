import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeApp } from '../app';
import { DeskStore } from './desk-store';
import { DiskFiles } from './disk-files';
import { Invitations } from './invitations';

const folder = mkdtempSync(path.join(tmpdir(), 'recado-desk-'));
const server = makeApp(folder, folder).listen(0);
const base = (): string => `http://localhost:${(server.address() as AddressInfo).port}`;
afterAll(() => {
  server.closeAllConnections();
  return new Promise((resolve) => server.close(resolve));
});

const KEY = 'KKKKKKKKKKKKKKKKKKKKK1';
const OTHER = 'KKKKKKKKKKKKKKKKKKKKK2';
const digest = (key: string): string => createHash('sha256').update(key).digest('hex');
const sealed = (words: string): string => `age-encryption.org/v1\n${words}`;
let count = 0;

/** A desk of its own, with its first device. */
async function newDesk() {
  const id = `DDDDDDDDDDDDDDDDDDDD${String(count++).padStart(2, '0')}`;
  const ask = (way: string, method = 'GET', headers: Record<string, string> = {}, body?: string, key: string | null = KEY) =>
    fetch(`${base()}/desks/${id}${way}`, {
      method,
      headers: { ...(key !== null && { 'recado-key': key }), 'content-type': 'application/octet-stream', ...headers },
      ...(body !== undefined && { body }),
    });
  const put = (name: string, body: string, before: string | null) =>
    ask(`/files/${name}`, 'PUT', before === null ? { 'if-none-match': '*' } : { 'if-match': before }, body);
  const changes = async (since = '') =>
    (await (await ask(`/changes?since=${since}`)).json()) as { token: string; whole: boolean; files: { name: string }[]; gone: string[] };
  expect((await ask('', 'PUT')).status).toBe(201);
  return { id, ask, put, changes };
}

describe('a desk', () => {
  it('holds files that are changed only by who knows what is there (RFC 9110, 13.1.1 and 13.1.2)', async () => {
    const { ask, put } = await newDesk();
    const first = await put('a', sealed('one'), null);
    expect(first.status).toBe(204);
    const tag = first.headers.get('etag') ?? '';
    expect(tag).toMatch(/^"\w+"$/);
    expect((await put('a', sealed('two'), null)).status).toBe(412);
    expect((await put('a', sealed('two'), '"other"')).status).toBe(412);
    expect((await ask('/files/a', 'PUT', {}, sealed('two'))).status).toBe(428);
    expect((await put('a', sealed('two'), tag)).status).toBe(204);
    const read = await ask('/files/a');
    expect(await read.text()).toBe(sealed('two'));
    expect(read.headers.get('etag')).not.toBe(tag);
    expect(read.headers.get('cache-control')).toBe('no-store');
    expect((await ask('/files/a', 'DELETE', { 'if-match': tag })).status).toBe(412);
    expect((await ask('/files/a', 'DELETE', { 'if-match': read.headers.get('etag') ?? '' })).status).toBe(204);
    expect((await ask('/files/a')).status).toBe(410);
  });

  it('tells what changed since a look, and everything to who looked before it began', async () => {
    const { put, changes } = await newDesk();
    await put('a', sealed('1'), null);
    await put('b', sealed('1'), null);
    const all = await changes();
    expect(all).toMatchObject({ whole: true, gone: [] });
    expect(all.files.map(({ name }) => name).sort()).toEqual(['a', 'b']);
    expect(await changes(all.token)).toEqual({ token: all.token, whole: false, files: [], gone: [] });
    await put('c', sealed('1'), null);
    expect((await changes(all.token)).files.map(({ name }) => name)).toEqual(['c']);
    for (const token of ['x.1', 'x', `${all.token}9999999`]) expect((await changes(token)).whole).toBe(true);
  });

  it('is answered to a stranger as one that is not there, by every way in', async () => {
    const { ask, put } = await newDesk();
    await put('a', sealed('1'), null);
    const none = await (await fetch(`${base()}/desks/NNNNNNNNNNNNNNNNNNNNNN/changes`, { headers: { 'recado-key': KEY } })).text();
    for (const key of [OTHER, '', 'x', null])
      for (const [way, method] of [
        ['/changes', 'GET'],
        ['/files/a', 'GET'],
        ['/files/a', 'PUT'],
        ['/files/a', 'DELETE'],
        ['', 'DELETE'],
        [`/devices/${digest(OTHER)}`, 'PUT'],
      ] as const) {
        const response = await ask(way, method, { 'if-none-match': '*' }, method === 'PUT' ? sealed('x') : undefined, key);
        expect([way, method, response.status]).toEqual([way, method, 404]);
        expect(await response.text()).toBe(none);
      }
  });

  it('lets another device in, and no more', async () => {
    const { ask } = await newDesk();
    const other = (way: string) => ask(way, 'GET', {}, undefined, OTHER);
    expect((await ask(`/devices/${digest(OTHER)}`, 'PUT')).status).toBe(204);
    expect((await other('/changes')).status).toBe(200);
    expect((await ask(`/devices/${digest(OTHER)}`, 'DELETE')).status).toBe(204);
    expect((await other('/changes')).status).toBe(404);
    expect((await ask('/devices/x', 'PUT')).status).toBe(400);
  });

  it.each([
    ['words in clear', 'a', 'Ring Lars'],
    ['a name that is a way', '..%2F..%2Fx', sealed('1')],
    ['a name that is too long', 'n'.repeat(65), sealed('1')],
  ])('takes no %s', async (_, name, body) => {
    const { put, changes } = await newDesk();
    expect((await put(name, body, null)).status).toBe(400);
    expect((await changes()).files).toEqual([]);
  });

  it('is gone from the disk when it is removed, and is begun only once', async () => {
    const { ask, put, id } = await newDesk();
    await put('a', sealed('1'), null);
    expect((await ask('', 'PUT')).status).toBe(201);
    expect((await ask('', 'PUT', {}, undefined, OTHER)).status).toBe(404);
    const lies = path.join(folder, 'desks', digest(id));
    expect(readdirSync(path.join(lies, 'files'))).toEqual(['a']);
    // Neither its number nor a key of it stands there.
    expect(readFileSync(path.join(lies, 'desk.json'), 'utf8')).not.toMatch(new RegExp(`${KEY}|${id}`));
    expect((await ask('', 'DELETE')).status).toBe(204);
    expect(readdirSync(path.join(folder, 'desks'))).not.toContain(digest(id));
    expect((await ask('/changes')).status).toBe(404);
  });
});

describe('desks on the disk', () => {
  it('are there after the process was killed, without what was half written', async () => {
    const { id, put } = await newDesk();
    await put('a', sealed('whole'), null);
    writeFileSync(path.join(folder, 'desks', digest(id), 'files', 'b.new'), 'half of it');
    const files = new DiskFiles(path.join(folder, 'desks', digest(id), 'files'));
    expect((await files.list()).map(({ name }) => name)).toEqual(['a']);
    expect((await files.read('a'))?.bytes.toString()).toBe(sealed('whole'));
    expect(readdirSync(path.join(folder, 'desks', digest(id), 'files'))).toEqual(['a']);
  });

  it('are no more than there is room for, nor larger', async () => {
    const small = mkdtempSync(path.join(tmpdir(), 'recado-desk-'));
    const limits = { desks: 1, devices: 2, files: 2, bytes: 100 };
    const store = new DeskStore(small, (name) => new DiskFiles(path.join(small, name, 'files')), false, limits);
    expect(await store.begin('one', 'key')).toBe('done');
    expect(await store.begin('two', 'key')).toBe('full');
    expect(await store.grant('one', digest('b'))).toBe('done');
    expect(await store.grant('one', digest('c'))).toBe('full');
    const desk = await store.open('one', 'key');
    expect(await desk?.write('a', Buffer.alloc(60), null)).toMatchObject({ size: 60 });
    expect(await desk?.write('b', Buffer.alloc(60), null)).toBe('full');
    expect(await desk?.write('b', Buffer.alloc(10), null)).toMatchObject({ size: 10 });
    expect(await desk?.write('c', Buffer.alloc(1), null)).toBe('full');
  });
});

describe('an invitation', () => {
  it('is given once', async () => {
    const way = `${base()}/invitations/cook-copy`;
    const put = (body: string) => fetch(way, { method: 'PUT', headers: { 'content-type': 'application/octet-stream' }, body });
    expect((await put('in clear')).status).toBe(400);
    expect((await put(sealed('x'))).status).toBe(204);
    expect((await put(sealed('y'))).status).toBe(409);
    expect(await (await fetch(way)).text()).toBe(sealed('x'));
    expect((await fetch(way)).status).toBe(404);
  });

  it('waits ten minutes', () => {
    let now = 0;
    const invitations = new Invitations(() => now);
    invitations.put('a', Buffer.from('x'));
    now = 10 * 60_000;
    expect(invitations.take('a')).toBeNull();
  });
});
