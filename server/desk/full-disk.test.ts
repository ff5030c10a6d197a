import { mkdtempSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeApp } from '../app';
import { writeWhole } from '../parts/write-whole';

jest.mock('../parts/write-whole', () => {
  const real: { writeWhole: typeof writeWhole } = jest.requireActual('../parts/write-whole');
  return { ...real, writeWhole: jest.fn(real.writeWhole) };
});

const folder = mkdtempSync(path.join(tmpdir(), 'recado-full-'));
const server = makeApp(folder, folder).listen(0);
afterAll(() => {
  server.closeAllConnections();
  return new Promise((resolve) => server.close(resolve));
});

test('a disk that is full is said (RFC 4918, 11.5), what was there stays, and it goes on once there is room', async () => {
  const at = `http://localhost:${(server.address() as AddressInfo).port}/desks/DDDDDDDDDDDDDDDDDDDDD1`;
  const headers = { 'recado-key': 'KKKKKKKKKKKKKKKKKKKKK1', 'content-type': 'application/octet-stream' };
  const put = (words: string, before: string | null) =>
    fetch(`${at}/files/a`, {
      method: 'PUT',
      headers: { ...headers, ...(before === null ? { 'if-none-match': '*' } : { 'if-match': before }) },
      body: `age-encryption.org/v1\n${words}`,
    });
  await fetch(at, { method: 'PUT', headers });
  const tag = (await put('one', null)).headers.get('etag') ?? '';
  const full = Object.assign(new Error('ENOSPC: no space left on device'), { code: 'ENOSPC' });
  jest.mocked(writeWhole).mockRejectedValueOnce(full);
  const refused = await put('two', tag);
  expect([refused.status, await refused.text()]).toEqual([507, 'The disk of the server is full.\n']);
  expect(await (await fetch(`${at}/files/a`, { headers })).text()).toBe('age-encryption.org/v1\none');
  expect((await put('two', tag)).status).toBe(204);
});
