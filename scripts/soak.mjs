// The long model and kill tests in the real browser. What follows `--` goes to the runner.
import { ensureBuilt, ensureChromium, ensureInstalled, runBin } from './ensure.mjs';

ensureInstalled();
ensureChromium();
ensureBuilt();
// Three devices and a server, and lines joined with outside lists, in long storms without a browser; not where single ones are asked for.
if (process.argv.length === 2)
  runBin('jest', ['src/store/desk/three-devices.test.ts', 'src/store/outside/outside-model.test.ts'], {
    env: { ...process.env, SOAK: '1' },
  });
runBin('@playwright/test', ['test', '--config', 'soak/playwright.config.ts', '--reporter=line', ...process.argv.slice(2)]);
