import { mkdtempSync } from 'node:fs';
import { request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { OutsideChanges, OutsideTask } from '../../src/core/sharing/outside/outside-task';
import type { SharedTask } from '../../src/core/sharing/outside/shared-task';
import { makeStandIn } from '../../stand-in/app';
import { newTask, readTask } from '../../stand-in/task-text';
import { makeApp } from '../app';
import { namedServices } from './outside-routes';
import { zoneNamed } from './zone';

const KEY = 'key-of-the-test';
const folder = mkdtempSync(path.join(tmpdir(), 'recado-services-'));
const standIn = makeStandIn(path.join(folder, 'lists'), KEY);
const outside = standIn.app.listen(0);
const own = makeApp(folder, folder).listen(0);
const named = makeApp(folder, folder, { dav: null, services: ['https://lists.museum.example'], lending: null }).listen(0);
const port = (server: typeof own): number => (server.address() as AddressInfo).port;
const list = (): string => `http://localhost:${port(outside)}/dav/lists/tasks/`;
afterAll(async () => {
  for (const server of [outside, own, named]) {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  }
});
beforeEach(() => standIn.faults.clear());

interface Answer {
  status: number;
  body: {
    trouble?: string;
    after?: number;
    skew?: number | null;
    lists?: { id: string; title: string }[];
    tasks?: OutsideTask[];
    results?: { is: string; task?: OutsideTask; trouble?: string }[];
  } & Partial<OutsideChanges>;
}

async function call(way: string, given: object = {}, { to = own, headers = {}, key = KEY } = {}): Promise<Answer> {
  const account = { protocol: 'caldav', address: `http://localhost:${port(outside)}/`, user: 'ilse', key, zone: 'Europe/Berlin' };
  const response = await fetch(`http://localhost:${port(to)}/services/${way}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify({ ...account, list: list(), ...given }),
  });
  const words = await response.text();
  return { status: response.status, body: words.startsWith('{') ? (JSON.parse(words) as Answer['body']) : {} };
}

const TASK: SharedTask = {
  words: 'Weigh the crate',
  status: 'todo',
  due: '2026-11-27 15:00',
  plan: null,
  priority: 'high',
  tags: ['loans'],
  every: null,
};
const MORE = {
  ref: 'k3f9qa',
  description: 'Before the van comes.\n\nIn Recado: http://localhost/item/k3f9qa',
  url: 'http://localhost/item/k3f9qa',
};
const ALL = ['words', 'status', 'due', 'priority', 'tags'] as const;
const made = (uid: string, task: SharedTask = TASK) => ({
  id: null,
  uid,
  tag: null,
  source: null,
  change: { fields: [...ALL], task, more: MORE },
});

describe('an outside service, by way of our server', () => {
  it('gives its lists, and tasks are made, changed, seen to be changed there, and removed', async () => {
    const { lists = [] } = (await call('lists')).body;
    expect(lists.map(({ title }) => title)).toEqual(['Tasks', 'Team']);
    expect(lists[0]?.id).toBe(list());
    const before = (await call('changes', { token: null })).body;
    expect([before.whole, before.changed]).toEqual([true, []]);

    const put = (await call('put', { writes: [made('recado-k3f9qa')] })).body.results?.[0];
    expect([put?.is, put?.task?.face.task]).toEqual(['done', TASK]);
    const [file] = standIn.files.all('tasks');
    expect(readTask(file?.text ?? '')).toMatchObject({
      words: 'Weigh the crate',
      due: '2026-11-27T15:00',
      priority: 3,
      labels: ['loans'],
      link: MORE.url,
    });
    // The same again finds something else there, and makes nothing twice.
    expect((await call('put', { writes: [made('recado-k3f9qa')] })).body.results?.[0]?.is).toBe('other');

    const since = (await call('changes', { token: before.token })).body;
    expect([since.whole, since.changed?.length, since.gone]).toEqual([false, 1, []]);
    const id = put?.task?.id ?? '';
    const change = { fields: ['status'], task: { ...TASK, status: 'done' }, more: null };
    const write = { id, uid: 'recado-k3f9qa', tag: put?.task?.tag, source: put?.task?.source, change };
    expect((await call('put', { writes: [write] })).body.results?.[0]?.task?.face.task.status).toBe('done');
    expect((await call('put', { writes: [write] })).body.results?.[0]?.is).toBe('other');
    const [now] = (await call('tasks', { ids: [id, `${list()}nothing.ics`] })).body.tasks ?? [];
    expect(now?.face).toMatchObject({ ref: 'k3f9qa', task: { ...TASK, status: 'done' } });
    expect((await call('remove', { removals: [{ id, tag: put?.task?.tag }] })).body.results?.[0]?.is).toBe('other');
    expect((await call('remove', { removals: [{ id, tag: now?.tag }] })).body.results?.[0]?.is).toBe('done');
    expect((await call('changes', { token: since.token })).body.gone).toEqual([id]);
  });

  it('a token that is too old gives everything anew (RFC 6578, 3.2, DAV:valid-sync-token)', async () => {
    standIn.files.write('tasks', 'a.ics', newTask('a', 'Order glass', new Date()), null);
    const { token } = (await call('changes', { token: null })).body;
    standIn.files.forgetMarks('tasks');
    const { whole, changed } = (await call('changes', { token })).body;
    expect([whole, changed?.map(({ id }) => id)]).toEqual([true, [`${list()}a.ics`]]);
    expect((await call('changes', { token: 'never one' })).body.whole).toBe(true);
  });

  it('what goes wrong is said: the key, a list that is gone, errors, one that asks to come later, half an answer', async () => {
    expect(await call('changes', { token: null }, { key: 'another' })).toEqual({ status: 200, body: { trouble: 'refused', after: null } });
    expect((await call('lists', {}, { key: 'another' })).body.trouble).toBe('refused');
    expect((await call('changes', { token: null, list: `${list()}../nothing/` })).body.trouble).toBe('missing');
    const outcome: Record<string, unknown> = {};
    for (const fault of ['error', 'busy', 'half', 'slow'] as const) {
      standIn.faults.ask(fault, 1);
      const { status, body } = await call('changes', { token: null });
      outcome[fault] = [status, body.trouble ?? null, body.after ?? null];
    }
    // RFC 9110, 10.2.3: Retry-After.
    expect(outcome).toEqual({ error: [200, 'away', null], busy: [200, 'busy', 2], half: [200, 'broken', null], slow: [200, null, null] });
    expect((await call('changes', { token: null, address: 'http://localhost:1/', list: 'http://localhost:1/x/' })).body.trouble).toBe(
      'away',
    );
    // Of several writes none is lost in silence.
    standIn.faults.ask('busy', 50);
    const { results = [] } = (await call('put', { writes: [made('b1'), made('b2'), made('b3')] })).body;
    expect(results.map(({ is, trouble }) => [is, trouble])).toEqual(Array(3).fill(['failed', 'busy']));
    standIn.faults.clear();
  });

  it('calls nobody for other pages, nobody for other machines, and only who is named', async () => {
    expect((await call('lists', {}, { headers: { 'sec-fetch-site': 'cross-site' } })).status).toBe(403);
    expect((await call('lists', {}, { headers: { 'content-type': 'text/plain' } })).status).toBe(400);
    expect((await call('lists', { address: 'file:///etc/passwd' })).status).toBe(400);
    expect((await call('lists', { zone: 'Nowhere/Else' })).status).toBe(400);
    expect((await call('lists', {}, { to: named })).body.trouble).toBe('barred');
    expect((await call('lists', {}, { headers: { 'x-forwarded-for': '203.0.113.7' } })).body.trouble).toBe('barred');
    // A name of another that leads to this machine.
    const status = await new Promise<string>((resolve) => {
      const asked = request(
        { port: port(own), path: '/services', headers: { host: 'museum.example' } },
        (response) => void response.on('data', (words: Buffer) => resolve(words.toString())),
      );
      asked.end();
    });
    expect(status).toBe('{"offers":false}');
    expect(namedServices('https://lists.museum.example/x, http://team.example:81')).toEqual([
      'https://lists.museum.example',
      'http://team.example:81',
    ]);
    expect(namedServices('lists')).toBeNull();
  });
});

describe('zones', () => {
  it('tells moments there and back, over the hour that comes twice and the one that never comes', () => {
    const berlin = zoneNamed('Europe/Berlin');
    // Summer time in Germany ended on 25 October 2026 at 3:00 and began on 29 March 2026 at 2:00 (IANA time zone database).
    const day = Date.UTC(2026, 9, 25) / 86_400_000;
    expect(berlin.toUtc({ day, minute: 150 })).toEqual({ day, minute: 30 });
    expect(berlin.fromUtc({ day, minute: 30 })).toEqual({ day, minute: 150 });
    expect(berlin.fromUtc({ day, minute: 90 })).toEqual({ day, minute: 150 });
    const spring = Date.UTC(2026, 2, 29) / 86_400_000;
    expect(berlin.fromUtc(berlin.toUtc({ day: spring, minute: 150 }))).toEqual({ day: spring, minute: 210 });
    for (const zone of ['UTC', 'Asia/Kolkata', 'America/St_Johns', 'Pacific/Kiritimati'].map(zoneNamed))
      for (let minute = 0; minute < 1440; minute += 37)
        expect(zone.fromUtc(zone.toUtc({ day: 20780, minute }))).toEqual({ day: 20780, minute });
  });
});
