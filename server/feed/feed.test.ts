import { mkdtempSync, readFileSync, readdirSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeApp } from '../app';
import { FeedStore } from './feed-store';

const folder = mkdtempSync(path.join(tmpdir(), 'recado-feed-'));
const server = makeApp(folder, folder).listen(0);
const base = (): string => `http://localhost:${(server.address() as AddressInfo).port}`;
afterAll(() => new Promise((resolve) => server.close(resolve)));

const ID = 'AAAAAAAAAAAAAAAAAAAAA1';
const KEY = 'BBBBBBBBBBBBBBBBBBBBB1';
const CALENDAR = 'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n';
const put = (id: string, key: string | null, body: string, type = 'text/calendar') =>
  fetch(`${base()}/feeds/${id}`, { method: 'PUT', headers: { 'content-type': type, ...(key !== null && { 'recado-key': key }) }, body });
const get = (file: string) => fetch(`${base()}/calendar/${file}`);

describe('a calendar at an address nobody can guess', () => {
  it('is written, read, written anew by who has the key alone, and withdrawn', async () => {
    expect((await put(ID, KEY, CALENDAR)).status).toBe(204);
    const read = await get(`${ID}.ics`);
    expect(read.headers.get('content-type')).toBe('text/calendar; charset=utf-8');
    expect(read.headers.get('x-robots-tag')).toBe('noindex');
    expect(await read.text()).toBe(CALENDAR);
    expect((await put(ID, 'CCCCCCCCCCCCCCCCCCCCC1', CALENDAR)).status).toBe(403);
    const other = CALENDAR.replace('2.0\r\n', '2.0\r\nX-WR-CALNAME:Öl\r\n');
    expect((await put(ID, KEY, other)).status).toBe(204);
    expect(await (await get(`${ID}.ics`)).text()).toBe(other);
    const withdraw = (key: string) => fetch(`${base()}/feeds/${ID}`, { method: 'DELETE', headers: { 'recado-key': key } });
    expect((await withdraw('CCCCCCCCCCCCCCCCCCCCC1')).status).toBe(403);
    expect((await withdraw(KEY)).status).toBe(204);
    expect((await get(`${ID}.ics`)).status).toBe(404);
    expect((await withdraw(KEY)).status).toBe(204);
  });

  it('whose address is made up, cut or a trick is answered like any that is none', async () => {
    const none = await (await get('AAAAAAAAAAAAAAAAAAAAA9.ics')).text();
    for (const file of ['x.ics', 'AAAAAAAAAAAAAAAAAAAAA9', '..%2F..%2Fpackage.json', '%00.ics', 'AAAAAAAAAAAAAAAAAAAAA1.key']) {
      const response = await get(file);
      expect([file, response.status]).toEqual([file, 404]);
      expect(await response.text()).toBe(none);
    }
  });

  it.each([
    ['no key', ID, null, CALENDAR, 400],
    ['a key that is none', ID, '../../x', CALENDAR, 400],
    ['an address that is none', 'x', KEY, CALENDAR, 400],
    ['what is no calendar', ID, KEY, '<script>1</script>', 400],
    ['half a calendar', ID, KEY, CALENDAR.slice(0, -4), 400],
    ['more than is taken', ID, KEY, CALENDAR.replace('2.0', 'x'.repeat(5_000_000)), 413],
  ] as const)('takes nothing with %s', async (_, id, key, body, status) => {
    expect((await put(id, key, body)).status).toBe(status);
    expect((await get(`${ID}.ics`)).status).toBe(404);
  });

  it('takes no other kind of text', async () => {
    expect((await put(ID, KEY, CALENDAR, 'text/html')).status).toBe(400);
  });
});

describe('what is on the disk', () => {
  it('names neither the address nor the key', async () => {
    const place = mkdtempSync(path.join(tmpdir(), 'recado-feed-'));
    const store = new FeedStore(place);
    expect(await Promise.all([store.write(ID, KEY, CALENDAR), store.write(ID, KEY, CALENDAR)])).toEqual(['done', 'done']);
    const files = readdirSync(place);
    expect(files).toHaveLength(2);
    for (const file of files) expect(`${file}\n${readFileSync(path.join(place, file), 'utf8')}`).not.toMatch(/AAAA|BBBB/);
  });
});
