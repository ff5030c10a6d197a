import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { LONG } from '../../src/core/testing/test-runs';
import { begin, freePort, kill } from '../parts/test-server';

const ID = 'DDDDDDDDDDDDDDDDDDDDD1';
const HEADERS = { 'recado-key': 'KKKKKKKKKKKKKKKKKKKKK1', 'content-type': 'application/octet-stream' };
const ROUNDS = LONG ? 12 : 2;

test('what a server acknowledged is there whole after it was killed in the middle of a storm, and nothing is half there', async () => {
  const [port, data] = [await freePort(), mkdtempSync(path.join(tmpdir(), 'recado-killed-'))];
  const at = `http://localhost:${port}/desks/${ID}`;
  /** The last text of each file that was acknowledged, and the one that was on its way. */
  const acknowledged = new Map<string, string>();
  const onItsWay = new Map<string, string>();
  const tags = new Map<string, string>();
  let count = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const server = await begin(port, data);
    if (round === 0) expect((await fetch(at, { method: 'PUT', headers: HEADERS })).status).toBe(201);
    for (const name of onItsWay.keys()) {
      const found = await fetch(`${at}/files/${name}`, { headers: HEADERS });
      const text = found.ok ? await found.text() : null;
      expect([acknowledged.get(name) ?? null, onItsWay.get(name)]).toContain(text);
      // It may never have come to the disk.
      if (text === null) tags.delete(name);
      else {
        acknowledged.set(name, text);
        tags.set(name, found.headers.get('etag') ?? '');
      }
    }
    onItsWay.clear();
    for (const [name, text] of acknowledged) expect(await (await fetch(`${at}/files/${name}`, { headers: HEADERS })).text()).toBe(text);
    let isOver = false;
    const storm = [0, 1, 2, 3].map(async (lane) => {
      while (!isOver) {
        const name = `${lane}-${count % 5}`;
        const text = `age-encryption.org/v1\n${count++} ${'x'.repeat(20_000)}`;
        const tag = tags.get(name);
        onItsWay.set(name, text);
        const answer = await fetch(`${at}/files/${name}`, {
          method: 'PUT',
          headers: { ...HEADERS, ...(tag === undefined ? { 'if-none-match': '*' } : { 'if-match': tag }) },
          body: text,
        }).catch(() => null);
        if (!answer) return;
        expect(answer.status).toBe(204);
        acknowledged.set(name, text);
        onItsWay.delete(name);
        tags.set(name, answer.headers.get('etag') ?? '');
      }
    });
    await new Promise((resolve) => setTimeout(resolve, 400));
    kill(server);
    isOver = true;
    await Promise.all(storm);
  }
  expect(acknowledged.size).toBeGreaterThan(4);
}, 300_000);
