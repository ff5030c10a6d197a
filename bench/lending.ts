import { HocuspocusProvider, HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import { type ChildProcess, spawn } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { mkdtempSync, readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { WebSocket } from 'ws';
import * as Y from 'yjs';
import { type BenchRow, row } from './measure';

/** So many borrowers a text, and so often each writes, in milliseconds. */
const A_TEXT = 4;
const EACH = 2000;
/** Within so long 99 of 100 changes are to be at the others, in milliseconds. */
const WITHIN = 300;

/** A bare server that passes each message on to all others of a room. */
const ECHO = `
const { WebSocketServer } = require('ws');
const rooms = new Map();
new WebSocketServer({ port: Number(process.env.PORT) }).on('connection', (socket, { url }) => {
  const room = rooms.get(url) ?? new Set();
  rooms.set(url, room.add(socket));
  socket.on('message', (data) => { for (const one of room) if (one !== socket) one.send(data); });
});`;

/** How long changes take to the others, of which 99 of 100 are there, in milliseconds; and what the server takes then, in megabytes. */
interface Crossing {
  late: number;
  memory: number;
}

/** Two processes, where a database and what joins them are named as for the server itself. */
const IS_SHARED = Boolean(process.env['DATABASE_URL'] && process.env['REDIS_URL']);

/** Borrowers who type in texts that are lent, against a bare echo of as many messages of the same size. */
export async function lendingRows(texts: number, seconds: number): Promise<BenchRow[]> {
  const [lent, echo] = [await lending(texts, seconds, 1), await echoed(texts, Math.min(seconds, 20))];
  const shared = IS_SHARED ? await lending(texts, seconds, 2) : null;
  const what = `${texts * A_TEXT} borrowers of ${texts} texts, each writing once in two seconds`;
  console.log(
    `  lending: 99 of 100 changes within ${lent.late.toFixed(0)} ms (bare echo ${echo.late.toFixed(1)} ms), server ${lent.memory} MB`,
  );
  if (shared) console.log(`  two processes: 99 of 100 changes within ${shared.late.toFixed(0)} ms, the larger server ${shared.memory} MB`);
  return [
    ...(shared
      ? [row(`${what}, over two processes: 99 of 100 changes are at the others`, `of ${WITHIN} ms`, shared.late / WITHIN, { atMost: 1 })]
      : []),
    row(`${what}: 99 of 100 changes are at the others`, `of ${WITHIN} ms`, lent.late / WITHIN, { atMost: 1 }),
    row(`${what}: 99 of 100 changes are at the others`, 'times the time of a bare echo of the same messages', lent.late / echo.late, null),
    row(`${what}: memory of the server`, 'times that of a bare echo', lent.memory / echo.memory, null),
  ];
}

async function lending(texts: number, seconds: number, processes: number): Promise<Crossing> {
  const servers = await Promise.all(Array.from({ length: processes }, () => begun(processes > 1)));
  const bases = servers.map(({ base }) => base);
  const [base = ''] = bases;
  const people: { text: Y.Text; leave: () => void; synced: Promise<void> }[] = [];
  for (let text = 0; text < texts; text++) {
    const address = randomBytes(16).toString('base64url');
    const name = createHash('sha256').update(address).digest('hex');
    const response = await fetch(`${base}/lending/${name}`, {
      method: 'PUT',
      headers: { 'recado-key': randomBytes(16).toString('base64url'), 'content-type': 'application/json' },
      body: JSON.stringify({ rights: 'write', until: null }),
    });
    // Who asks so often is told to wait.
    if (response.status === 429) throw new Error('the server asks for less');
    for (let one = 0; one < A_TEXT; one++) people.push(joined(bases[one % bases.length] ?? base, name, address));
  }
  await Promise.all(people.map(({ synced }) => synced));
  const late: number[] = [];
  for (const { text } of people)
    text.observe(({ transaction, changes }) => {
      if (transaction.local) return;
      for (const { insert } of changes.delta) if (typeof insert === 'string') late.push(performance.now() - Number(insert));
    });
  await writing(people, seconds, ({ text }) => text.insert(0, performance.now().toFixed(2)));
  const memory = Math.max(...servers.map(({ server }) => memoryOf(server)));
  for (const { leave } of people) leave();
  for (const { server } of servers) process.kill(-(server.pid ?? 0), 'SIGKILL');
  return { late: percentile(late), memory };
}

/** Starts the server as people do; one that is alone keeps what is lent in a folder. */
async function begun(isShared: boolean): Promise<{ server: ChildProcess; base: string }> {
  const port = await freePort();
  const data = mkdtempSync(path.join(tmpdir(), 'recado-bench-'));
  const alone = isShared ? {} : { DATABASE_URL: '', REDIS_URL: '' };
  const server = spawn(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'server/main.ts'], {
    env: { ...process.env, PORT: String(port), DATA: data, ...alone },
    stdio: 'ignore',
    detached: true,
  });
  const base = `http://localhost:${port}`;
  await until(() => fetch(`${base}/healthz`).then(({ ok }) => ok));
  return { server, base };
}

function joined(base: string, name: string, address: string) {
  class Own extends WebSocket {
    constructor(url: string) {
      super(url, { origin: base });
    }
  }
  const document = new Y.Doc();
  const websocketProvider = new HocuspocusProviderWebsocket({ url: `${base.replace('http', 'ws')}/lending/live`, WebSocketPolyfill: Own });
  let done: () => void = () => undefined;
  const synced = new Promise<void>((resolve) => (done = resolve));
  const provider = new HocuspocusProvider({
    websocketProvider,
    name,
    document,
    token: JSON.stringify({ address }),
    onSynced: () => done(),
  });
  provider.attach();
  const leave = (): void => {
    provider.destroy();
    websocketProvider.destroy();
  };
  return { text: document.getText('text'), synced, leave };
}

async function echoed(texts: number, seconds: number): Promise<Crossing> {
  const port = await freePort();
  const server = spawn(process.execPath, ['-e', ECHO], { env: { ...process.env, PORT: String(port) }, stdio: 'ignore', detached: true });
  const open = (room: number): Promise<WebSocket> =>
    new Promise((resolve, reject) => {
      const socket = new WebSocket(`ws://localhost:${port}/${room}`);
      socket.once('open', () => resolve(socket));
      socket.once('error', reject);
    });
  await until(() => open(-1).then((socket) => (socket.close(), true)));
  const late: number[] = [];
  const sockets = await Promise.all(Array.from({ length: texts * A_TEXT }, (_, one) => open(Math.floor(one / A_TEXT))));
  for (const socket of sockets)
    socket.on('message', (data: Buffer) => late.push(performance.now() - Number(data.toString().split(' ')[0])));
  // As long as a change of one word is on its way.
  await writing(sockets, seconds, (socket) => socket.send(`${performance.now().toFixed(2)} ${'x'.repeat(90)}`));
  const memory = memoryOf(server);
  for (const socket of sockets) socket.terminate();
  process.kill(-(server.pid ?? 0), 'SIGKILL');
  return { late: percentile(late), memory };
}

/** Lets each do something once in so long, not all at once. */
async function writing<T>(people: readonly T[], seconds: number, act: (one: T) => void): Promise<void> {
  const timers: NodeJS.Timeout[] = [];
  people.forEach((one, at) => setTimeout(() => timers.push(setInterval(() => act(one), EACH)), (at / people.length) * EACH));
  await new Promise((resolve) => setTimeout(resolve, seconds * 1000 + EACH));
  for (const timer of timers) clearInterval(timer);
  await new Promise((resolve) => setTimeout(resolve, 500));
}

const percentile = (all: readonly number[]): number => [...all].sort((a, b) => a - b)[Math.floor(all.length * 0.99)] ?? Infinity;

/** What a process and those it began hold in memory, in megabytes. */
function memoryOf({ pid = 0 }: ChildProcess): number {
  const own = (one: number): number => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${one}/status`, 'utf8'))?.[1] ?? 0) / 1024;
  const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(/\s+/).filter(Boolean).map(Number);
  return Math.round(Math.max(own(pid), ...children.map(own)));
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

async function until(holds: () => Promise<boolean>): Promise<void> {
  for (let attempt = 0; attempt < 200; attempt++) {
    if (await holds().catch(() => false)) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server did not begin');
}
