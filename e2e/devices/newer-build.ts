import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { once } from 'node:events';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { AddressInfo } from 'node:net';
import { makeApp } from '../../server/app';

const BUILD = path.resolve(import.meta.dirname, '../../dist/web');

/** A server of its own over a copy of the build, which can become a newer one. */
export async function serveBuild(): Promise<{ address: string; renew: () => void; end: () => Promise<void> }> {
  const folder = mkdtempSync(path.join(tmpdir(), 'recado-build-'));
  cpSync(BUILD, folder, { recursive: true });
  const server = makeApp(folder, path.join(folder, 'data')).listen(0);
  await once(server, 'listening');
  const change = (file: string, from: string | RegExp, to: string): void => {
    const place = path.join(folder, file);
    writeFileSync(place, readFileSync(place, 'utf8').replace(from, to));
  };
  return {
    address: `http://localhost:${(server.address() as AddressInfo).port}`,
    renew: () => {
      const page = readFileSync(path.join(folder, 'index.html'), 'utf8');
      const start = /assets\/(index-[\w-]+)\.js/.exec(page)?.[1] ?? '';
      const newer = `${start}-newer`;
      // What others import of it they find under its old name too: only the page begins with the newer one.
      writeFileSync(path.join(folder, 'assets', `${newer}.js`), `import './${start}.js';\n`);
      change('index.html', `${start}.js`, `${newer}.js`);
      change(
        'service-worker.js',
        /\{"revision":"\w+","url":"index\.html"\}/,
        `{"revision":"newer","url":"index.html"},{"revision":null,"url":"assets/${newer}.js"}`,
      );
    },
    end: async () => {
      server.close();
      server.closeAllConnections();
      await once(server, 'close');
    },
  };
}
