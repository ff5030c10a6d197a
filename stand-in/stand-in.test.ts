import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { DAVClient } from 'tsdav';
import { makeStandIn } from './app';
import { changedTask, newTask, readTask } from './task-text';
import { readXml, within } from './xml';

const NOW = new Date('2026-11-23T09:20:00Z');
const KEY = 'key-of-the-test';
const folder = mkdtempSync(path.join(tmpdir(), 'recado-outside-'));
const { app, files, faults } = makeStandIn(folder, KEY, () => NOW);
const server = app.listen(0);
const base = (): string => `http://localhost:${(server.address() as AddressInfo).port}`;
afterAll(() => {
  server.closeAllConnections();
  return new Promise((resolve) => server.close(resolve));
});

const basic = (key = KEY): string => `Basic ${Buffer.from(`desk:${key}`).toString('base64')}`;
const dav = (method: string, way: string, body?: string, headers: Record<string, string> = {}) =>
  fetch(base() + way, {
    method,
    headers: { authorization: basic(), 'content-type': 'application/xml', ...headers },
    ...(body !== undefined && { body }),
  });
const task = (uid: string, words: string): string => newTask(uid, words, NOW);
const put = (name: string, text: string, headers: Record<string, string> = {}) =>
  dav('PUT', `/dav/lists/tasks/${name}`, text, { 'content-type': 'text/calendar', ...headers });

/** A look at what changed, by hand. */
async function sync(
  token: string,
): Promise<{ status: number; token: string; changed: string[]; gone: string[]; condition: string | null }> {
  const asked = `<d:sync-collection xmlns:d="DAV:"><d:sync-token>${token}</d:sync-token><d:sync-level>1</d:sync-level><d:prop><d:getetag/></d:prop></d:sync-collection>`;
  const response = await dav('REPORT', '/dav/lists/tasks/', asked);
  const read = readXml(await response.text());
  const responses = read ? within(read, 'response') : [];
  const nameOf = (one: (typeof responses)[number]): string => (within(one, 'href')[0]?.text ?? '').replace(/^.*\//, '');
  const isGone = (one: (typeof responses)[number]): boolean =>
    one.children.some(({ name, text }) => name === 'status' && text.includes('404'));
  return {
    status: response.status,
    token: (read && within(read, 'sync-token')[0]?.text) ?? '',
    changed: responses.filter((one) => !isGone(one)).map(nameOf),
    gone: responses.filter(isGone).map(nameOf),
    condition: read?.name === 'error' ? (read.children[0]?.name ?? null) : null,
  };
}

describe('the stand-in, asked by a client of others', () => {
  it('is discovered, lists its lists, and its tasks are made, changed and removed', async () => {
    const client = new DAVClient({
      serverUrl: `${base()}/dav/me/`,
      credentials: { username: 'desk', password: KEY },
      authMethod: 'Basic',
      defaultAccountType: 'caldav',
    });
    await client.login();
    const calendars = await client.fetchCalendars();
    expect(calendars.map(({ displayName, components }) => [displayName, components])).toEqual([
      ['Tasks', ['VTODO']],
      ['Team', ['VTODO']],
    ]);
    const [calendar] = calendars;
    if (!calendar) throw new Error('no list');
    const made = await client.createCalendarObject({ calendar, filename: 'crate.ics', iCalString: task('crate', 'Weigh the crate') });
    expect(made.status).toBe(201);
    const filters = [{ 'comp-filter': { _attributes: { name: 'VCALENDAR' }, 'comp-filter': { _attributes: { name: 'VTODO' } } } }];
    const [object] = await client.fetchCalendarObjects({ calendar, filters });
    expect(readTask(String(object?.data))?.words).toBe('Weigh the crate');
    if (!object) throw new Error('no task');
    const changed = changedTask(String(object.data), { done: true }, NOW);
    expect((await client.updateCalendarObject({ calendarObject: { ...object, data: changed } })).status).toBe(204);
    // It knows the old tag alone.
    expect((await client.deleteCalendarObject({ calendarObject: object })).status).toBe(412);
    const [now] = await client.fetchCalendarObjects({ calendar, filters });
    expect(readTask(String(now?.data))?.done).toBe(true);
    expect((await client.deleteCalendarObject({ calendarObject: now ?? object })).status).toBe(204);
    expect(await client.fetchCalendarObjects({ calendar, filters })).toEqual([]);
  });
});

describe('what changed since a token (RFC 6578)', () => {
  it('is told once: made, changed, removed, and what was changed in its files by hand (3.4, 3.5)', async () => {
    await put('a.ics', task('a', 'one'));
    await put('b.ics', task('b', 'two'));
    const first = await sync('');
    expect(first).toMatchObject({ status: 207, changed: ['a.ics', 'b.ics'], gone: [] });
    expect(await sync(first.token)).toMatchObject({ changed: [], gone: [], token: first.token });
    await put('a.ics', task('a', 'changed'));
    await dav('DELETE', '/dav/lists/tasks/b.ics');
    const second = await sync(first.token);
    expect(second).toMatchObject({ changed: ['a.ics'], gone: ['b.ics'] });
    writeFileSync(path.join(folder, 'tasks', 'c.ics'), task('c', 'by hand'));
    rmSync(path.join(folder, 'tasks', 'a.ics'));
    expect(await sync(second.token)).toMatchObject({ changed: ['c.ics'], gone: ['a.ics'] });
  });

  it('is refused by its condition where a token is not known any more, or was none (3.8, valid-sync-token)', async () => {
    const { token } = await sync('');
    files.forgetMarks('tasks');
    for (const old of [token, 'urn:outside:sync:99999', 'urn:other', 'x'])
      expect(await sync(old)).toMatchObject({ status: 403, condition: 'valid-sync-token' });
    const anew = await sync('');
    expect((await sync(anew.token)).status).toBe(207);
  });
});

describe('tasks', () => {
  it('are written only over what the writer saw (RFC 9110, 13.1), and only where they are tasks (RFC 4791, 5.3.2.1)', async () => {
    const made = await put('t.ics', task('t', 'one'), { 'if-none-match': '*' });
    expect(made.status).toBe(201);
    expect((await put('t.ics', task('t', 'two'), { 'if-none-match': '*' })).status).toBe(412);
    expect((await put('t.ics', task('t', 'two'), { 'if-match': '"other"' })).status).toBe(412);
    expect((await put('t.ics', task('t', 'two'), { 'if-match': made.headers.get('etag') ?? '' })).status).toBe(204);
    for (const words of ['', 'words', 'BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n', task('t', 'x').replace(/UID:.*\r\n/, '')])
      expect((await put('t.ics', words)).status).toBe(403);
    for (const name of ['..%2Fx.ics', '.x.ics', 'x.txt', 'x'.repeat(200) + '.ics'])
      expect([name, (await put(name, task('t', 'x'))).status]).toEqual([name, 403]);
    expect((await dav('GET', '/dav/lists/none/t.ics')).status).toBe(404);
    expect((await dav('REPORT', '/dav/lists/tasks/', '<broken')).status).toBe(400);
  });

  it('are for those who know the key', async () => {
    for (const key of ['', 'wrong', `${KEY}x`]) {
      const response = await dav('PROPFIND', '/dav/me/', undefined, { authorization: basic(key) });
      expect(response.status).toBe(401);
      expect(response.headers.get('www-authenticate')).toContain('Basic');
    }
  });
});

describe('faults on demand', () => {
  const look = () => dav('PROPFIND', '/dav/me/');

  it('come for as many requests as were asked for', async () => {
    faults.ask('error', 2);
    faults.ask('busy', 1);
    expect([(await look()).status, (await look()).status]).toEqual([500, 500]);
    const busy = await look();
    expect([busy.status, busy.headers.get('retry-after')]).toEqual([429, '2']);
    expect((await look()).status).toBe(207);
  });

  it('cut an answer in its middle', async () => {
    faults.ask('half', 1);
    const response = await look();
    await expect(response.text()).rejects.toThrow();
    expect((await look()).status).toBe(207);
  });
});

describe('the page for people', () => {
  const post = (way: string, form: Record<string, string>, headers: Record<string, string> = {}) =>
    fetch(base() + way, { method: 'POST', body: new URLSearchParams(form), redirect: 'manual', headers });
  const page = async (): Promise<string> => (await fetch(base())).text();

  it('shows words as words, and changes, moves and removes a task', async () => {
    await post('/tasks/team', { words: 'Thank <b>Bea</b> & "all"' });
    expect(await page()).toContain('value="Thank &lt;b&gt;Bea&lt;/b&gt; &amp; &quot;all&quot;"');
    const [made] = files.all('team');
    const name = made?.name ?? '';
    const form = { words: 'Thank Bea', due: '2026-11-27T15:00', priority: '1', labels: 'letters, thanks', done: 'yes', list: 'tasks' };
    expect((await post(`/tasks/team/${name}`, form)).status).toBe(303);
    expect(files.all('team')).toEqual([]);
    const moved = files.read('tasks', name);
    expect(readTask(moved?.text ?? '')).toEqual({
      words: 'Thank Bea',
      done: true,
      due: '2026-11-27T15:00',
      priority: 1,
      labels: ['letters', 'thanks'],
      link: '',
    });
    await post(`/tasks/tasks/${name}`, { ...form, remove: 'yes' });
    expect(files.read('tasks', name)).toBeNull();
  });

  it('takes nothing that is none, and nothing from another page', async () => {
    expect((await post('/tasks/team', { words: '' })).status).toBe(400);
    expect((await post('/faults', { fault: 'burn', count: '1' })).status).toBe(400);
    expect((await post('/tasks/team', { words: 'x' }, { origin: 'https://elsewhere.example' })).status).toBe(403);
    expect((await fetch(`${base()}/nothing`)).status).toBe(404);
  });
});
