import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../..');
const ID = 'DDDDDDDDDDDDDDDDDDDDD1';
const HEADERS = { 'recado-key': 'KKKKKKKKKKKKKKKKKKKKK1', 'content-type': 'application/octet-stream' };
const ROUNDS = 3;

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

/** Starts the server as people do, and waits until it is well. */
async function begin(port: number, data: string): Promise<ChildProcess> {
  const server = spawn(process.execPath, [path.join(ROOT, 'node_modules/tsx/dist/cli.mjs'), path.join(ROOT, 'server/main.ts')], {
    env: { ...process.env, PORT: String(port), DATA: data },
    stdio: 'ignore',
    // The whole group is killed: the loader of TypeScript runs the server as a child of its own.
    detached: true,
  });
  for (let attempt = 0; attempt < 200; attempt++) {
    const isWell = await fetch(`http://localhost:${port}/healthz`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (isWell) return server;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server did not begin');
}

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
    process.kill(-(server.pid ?? 0), 'SIGKILL');
    isOver = true;
    await Promise.all(storm);
  }
  expect(acknowledged.size).toBeGreaterThan(4);
}, 90_000);
