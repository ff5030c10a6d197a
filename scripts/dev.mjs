import { ensureInstalled, runBin } from './ensure.mjs';

ensureInstalled();
runBin('vite', []);
