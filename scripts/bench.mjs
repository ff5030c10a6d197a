import { ensureInstalled, runBin } from './ensure.mjs';

ensureInstalled();
runBin('tsx', ['--expose-gc', 'bench/main.ts', ...process.argv.slice(2)]);
