// The figures. The bench is bundled first, as what is served is: running TypeScript directly names every inner function
// again each time it is made, which costs more than some of what is measured.
import path from 'node:path';
import { ensureInstalled, root, run, runBin } from './ensure.mjs';

ensureInstalled();
const bundle = path.join(root, '.cache/bench.mjs');
runBin('esbuild', ['bench/main.ts', '--bundle', '--platform=node', '--format=esm', '--packages=external', '--log-level=error', `--outfile=${bundle}`]);
run(process.execPath, ['--expose-gc', bundle, ...process.argv.slice(2)]);
