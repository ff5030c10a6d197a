import { ensureBuilt, ensureInstalled, runBin } from './ensure.mjs';

ensureInstalled();
ensureBuilt();
runBin('tsx', ['server/main.ts']);
