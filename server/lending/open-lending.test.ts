import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { lendingIn } from './open-lending';

describe('what a server lends', () => {
  it('is opened once, by one process at a time; where another has it nothing is lent, and later it can be', async () => {
    const data = await mkdtemp(path.join(os.tmpdir(), 'recado-lending-'));
    const told = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const [one, other] = [lendingIn(data), lendingIn(data)];
    const [first, again] = await Promise.all([one.here(), one.here()]);
    expect(first).not.toBeNull();
    expect(again).toBe(first);
    expect(await other.here()).toBeNull();
    expect(told.mock.calls[0]?.[0]).toContain('nothing can be lent now');
    await one.close();
    expect(await other.here()).not.toBeNull();
    await other.close();
    told.mockRestore();
    await rm(data, { recursive: true });
  });

  it('is opened by nobody who only ends it', async () => {
    const data = path.join(os.tmpdir(), 'recado-lending-never');
    await expect(lendingIn(data).close()).resolves.toBeUndefined();
    await expect(rm(data, { recursive: true })).rejects.toThrow('ENOENT');
  });

  it('of several processes needs one place for all of them: else the server does not start, and says why', async () => {
    const root = path.resolve(import.meta.dirname, '../..');
    const server = spawn(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'server/main.ts'], {
      cwd: root,
      env: { ...process.env, PORT: '0', REDIS_URL: 'redis://localhost:1', DATABASE_URL: '' },
    });
    let said = '';
    server.stderr.on('data', (words: Buffer) => (said += words.toString()));
    const [code] = (await once(server, 'exit')) as [number];
    expect(code).not.toBe(0);
    expect(said).toContain('DATABASE_URL');
  });
});
