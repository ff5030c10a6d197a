import { type ChildProcess, spawn } from 'node:child_process';
import { createServer } from 'node:net';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../..');

/** A port that nobody listens on. */
export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

/** Starts the server as people do, and waits until it is well. */
export async function begin(port: number, data: string, more: Record<string, string> = {}): Promise<ChildProcess> {
  const server = spawn(process.execPath, [path.join(ROOT, 'node_modules/tsx/dist/cli.mjs'), path.join(ROOT, 'server/main.ts')], {
    env: { ...process.env, PORT: String(port), DATA: data, ...more },
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

/** Kills a server with all that belongs to it, as a machine that loses its power. */
export const kill = (server: ChildProcess): void => void process.kill(-(server.pid ?? 0), 'SIGKILL');
