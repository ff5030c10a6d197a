// The figures. The bench is bundled first, as what is served is: running TypeScript directly names every inner function
// again each time it is made, which costs more than some of what is measured.
import path from 'node:path';
import { ensureBuilt, ensureChromium, ensureInstalled, root, run } from './ensure.mjs';

ensureInstalled();
if (!process.argv.includes('--small')) {
  ensureChromium();
  ensureBuilt();
}
const { buildSync } = await import('esbuild');
const bundle = path.join(root, '.cache/bench.mjs');
buildSync({
  entryPoints: [path.join(root, 'bench/main.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  outfile: bundle,
});
run(process.execPath, ['--expose-gc', bundle, ...process.argv.slice(2)]);
