import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import * as Y from 'yjs';
import { debianProgram as found } from '../../src/core/testing/test-program';
import { freePort } from '../parts/test-server';
import type { Lending } from './lending';
import type { LentRecord } from './lent-record';
import type { LentStore } from './lent-store';
import { LevelStore } from './level-store';
import { PostgresStore } from './postgres-store';
import { sharedLending } from './several-processes';
import { type LendingServer, lendingServer, until } from './test-lending';

const running: ChildProcess[] = [];
const asNobody = process.getuid?.() === 0 ? { uid: 65_534, gid: 65_534 } : {};

/** A database of its own, as long as the tests run, that can go and come back. */
interface Postgres {
  address: string;
  begin: () => Promise<void>;
  end: () => Promise<void>;
}

async function postgres(): Promise<Postgres | null> {
  const initdb = found('initdb', 'postgresql');
  const program = initdb && path.join(path.dirname(execFileSync('readlink', ['-f', initdb], { encoding: 'utf8' }).trim()), 'postgres');
  if (initdb === null || program === null) return null;
  const folder = mkdtempSync(path.join(tmpdir(), 'recado-pg-'));
  execFileSync('chmod', ['777', folder]);
  const data = path.join(folder, 'data');
  execFileSync(initdb, ['-D', data, '-U', 'recado', '--auth=trust', '-E', 'UTF8', '--no-sync'], {
    stdio: 'ignore',
    ...asNobody,
    env: { ...process.env, HOME: folder },
  });
  const port = await freePort();
  const address = `postgres://recado@127.0.0.1:${port}/postgres`;
  let server: ChildProcess | null = null;
  return {
    address,
    begin: async () => {
      const options = ['-D', data, '-p', String(port), '-k', folder, '-c', 'listen_addresses=127.0.0.1'];
      server = spawn(program, options, { stdio: 'ignore', ...asNobody });
      running.push(server);
      const isWell = (): Promise<boolean> =>
        PostgresStore.open(address).then(
          (store) => store.close().then(() => true),
          () => false,
        );
      await until(isWell, () => 'PostgreSQL does not begin', 30_000);
    },
    end: async () => {
      const gone = new Promise((resolve) => server?.once('exit', resolve));
      server?.kill('SIGINT');
      await gone;
    },
  };
}

async function redis(port: number): Promise<ChildProcess | null> {
  const program = found('redis-server', 'redis-server');
  if (program === null) return null;
  const server = spawn(program, ['--port', String(port), '--save', '', '--appendonly', 'no', '--bind', '127.0.0.1'], { stdio: 'ignore' });
  running.push(server);
  return server;
}

const servers: LendingServer[] = [];
afterAll(async () => {
  await Promise.all(servers.map((one) => one.close()));
  for (const one of running) one.kill('SIGKILL');
});

const RECORD: LentRecord = { owner: 'x', rights: 'write', until: null, word: null, since: 1, ended: false };
const NAME = 'a'.repeat(64);

function update(words: string, client: number): Uint8Array {
  const doc = new Y.Doc();
  doc.clientID = client;
  doc.getText('text').insert(0, words);
  return Y.encodeStateAsUpdate(doc);
}

/** In which order the words of several stand is theirs to agree on. */
const lettersOf = (words: string): string => [...words].sort().join('');

async function textOf(store: LentStore): Promise<string> {
  const doc = new Y.Doc();
  for (const part of await store.load(NAME)) Y.applyUpdate(doc, part);
  return doc.getText('text').toString();
}

/** What every store promises. */
async function keepsItsPromises(open: () => Promise<LentStore>): Promise<void> {
  const store = await open();
  expect([await store.record(NAME), await store.count(), await store.load(NAME)]).toEqual([null, 0, []]);
  await store.keepRecord(NAME, RECORD);
  await store.keepRecord(NAME, { ...RECORD, ended: true });
  await store.append(NAME, update('one', 1));
  await store.append(NAME, update('two', 2));
  expect([await store.record(NAME), await store.count()]).toEqual([{ ...RECORD, ended: true }, 1]);
  await store.keepSeen(NAME, { opened: 5, changes: 2, hands: [{ name: 'Lars', at: 4 }] });
  await store.close();
  const again = await open();
  expect(lettersOf(await textOf(again))).toBe(lettersOf('onetwo'));
  const parts = await again.load(NAME);
  await again.save(NAME, Y.mergeUpdates(parts));
  expect(await again.load(NAME)).toHaveLength(1);
  await again.append(NAME, update('three', 3));
  expect(await again.load(NAME)).toHaveLength(2);
  expect(await again.seen(NAME)).toEqual({ opened: 5, changes: 2, hands: [{ name: 'Lars', at: 4 }] });
  await again.drop(NAME);
  await again.keepSeen(NAME, { opened: 5, changes: 2, hands: [] });
  expect([await again.record(NAME), await again.count(), await again.load(NAME)]).toEqual([null, 0, []]);
  expect(await again.seen(NAME)).toEqual({ opened: null, changes: 0, hands: [] });
  await again.close();
}

test('a folder keeps what is lent', async () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'recado-level-'));
  await keepsItsPromises(() => LevelStore.open(folder));
}, 30_000);

test('PostgreSQL keeps what is lent, also what another process kept meanwhile; two processes and Redis are one, and each can go and come back', async () => {
  const base = await postgres();
  if (base === null) return void console.info('skipped: PostgreSQL is not here and cannot be installed');
  const { address } = base;
  await base.begin();
  await keepsItsPromises(() => PostgresStore.open(address));

  const [one, other] = [await PostgresStore.open(address), await PostgresStore.open(address)];
  await one.keepRecord(NAME, RECORD);
  await one.append(NAME, update('one', 1));
  await other.load(NAME);
  await other.append(NAME, update('two', 2));
  // The first knows nothing of the second, and keeps what it has.
  await one.save(NAME, update('one', 1));
  expect(lettersOf(await textOf(one))).toBe(lettersOf('onetwo'));
  await other.save(NAME, Y.mergeUpdates([update('one', 1), update('two', 2)]));
  await one.save(NAME, update('one', 1));
  expect(lettersOf(await textOf(other))).toBe(lettersOf('onetwo'));
  await one.drop(NAME);
  await Promise.all([one.close(), other.close()]);

  const port = await freePort();
  const cache = await redis(port);
  if (cache === null) return void console.info('skipped: Redis is not here and cannot be installed');
  const make = async (): Promise<LendingServer> => {
    const lending: Lending = sharedLending(await PostgresStore.open(address), `redis://127.0.0.1:${port}`);
    const server = await lendingServer(() => Promise.resolve(lending), mkdtempSync(path.join(tmpdir(), 'recado-two-')));
    servers.push(server);
    return server;
  };
  const [here, there] = [await make(), await make()];
  const lent = await here.lend();
  const owner = here.join(lent, { key: lent.key });
  await owner.synced;
  owner.text.insert(0, 'here');
  const lars = there.join(lent, { address: lent.address, name: 'Lars' });
  await until(() => lars.text.toString() === 'here');
  lars.text.insert(4, ' and there');
  await until(() => owner.text.toString() === 'here and there');

  // Redis goes: each process goes on for itself, and they meet again when it is back.
  cache.kill('SIGKILL');
  await new Promise((resolve) => setTimeout(resolve, 300));
  owner.text.insert(0, '1 ');
  lars.text.insert(lars.text.length, ' 2');
  lars.provider.sendStateless('{"mark":1}');
  await until(() => lars.told.includes('{"kept":1}'));
  await redis(port);
  await until(
    () => owner.text.toString() === '1 here and there 2',
    () => owner.text.toString(),
    20_000,
  );

  // PostgreSQL goes: both sides go on, and nothing is called kept until it is back.
  await base.end();
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  lars.text.insert(0, '3 ');
  lars.provider.sendStateless('{"mark":2}');
  await until(() => owner.text.toString() === '3 1 here and there 2');
  expect(lars.told).not.toContain('{"kept":2}');
  await base.begin();
  await until(
    () => lars.told.includes('{"kept":2}'),
    () => lars.told,
    20_000,
  );
  said.mockRestore();

  // Called back in one process, it is dead in the other, also where it is open.
  await here.lend({ ended: true }, lent);
  await until(
    () => lars.refused.includes('nothing'),
    () => lars.refused,
    15_000,
  );
  const late = there.join(lent, { address: lent.address });
  await until(() => late.refused.includes('nothing'));
  expect((await here.drop(lent)).status).toBe(204);
}, 420_000);
