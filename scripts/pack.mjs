// Makes the runner as one file that needs nothing but Node, and its page of the manual; `npm pack` calls it.
import { spawnSync } from 'node:child_process';
import { chmodSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ensureInstalled, root } from './ensure.mjs';

ensureInstalled({ quiet: true });
const { build } = await import('esbuild');
const folder = path.join(root, 'dist/runner');
const file = path.join(folder, 'recado.mjs');
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
await build({
  entryPoints: [path.join(root, 'cli/main.ts')],
  outfile: file,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  // Libraries in the older form ask for Node's own parts by `require`.
  banner: { js: "#!/usr/bin/env node\nimport { createRequire } from 'node:module';\nconst require = createRequire(import.meta.url);" },
  logLevel: 'warning',
});
chmodSync(file, 0o755);
const { status, stdout } = spawnSync(process.execPath, [file, 'man']);
if (status !== 0) process.exit(1);
writeFileSync(path.join(folder, 'recado.1'), stdout);
