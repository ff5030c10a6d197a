import { ensureInstalled, runBin } from './ensure.mjs';

ensureInstalled();
runBin('tsx', ['bench/main.ts', ...process.argv.slice(2)]);
