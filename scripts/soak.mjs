// The long model and kill tests in the real browser. What follows `--` goes to the runner.
import { ensureBuilt, ensureChromium, ensureInstalled, runBin } from './ensure.mjs';

const LONG_TESTS = [
  'src/store/desk/three-devices.test.ts',
  'src/store/outside/outside-model.test.ts',
  'src/store/outside/outside-sync.test.ts',
  'src/store/lending/lending-model.test.ts',
  'server/lending/killed.test.ts',
];

ensureInstalled();
ensureChromium();
ensureBuilt();
// Three devices and a server, lines joined with outside lists, an owner and borrowers, servers that are killed, in long storms without a browser; not where single ones are asked for.
if (process.argv.length === 2) runBin('jest', LONG_TESTS, { env: { ...process.env, SOAK: '1' } });
runBin('@playwright/test', ['test', '--config', 'soak/playwright.config.ts', '--reporter=line', ...process.argv.slice(2)]);
