// The long model and kill tests in the real browser. What follows `--` goes to the runner.
import { ensureBuilt, ensureChromium, ensureInstalled, runBin } from './ensure.mjs';

ensureInstalled();
ensureChromium();
ensureBuilt();
// Every model in its long form, without a browser; not where single ones are asked for.
if (process.argv.length === 2) runBin('jest', ['--silent'], { env: { ...process.env, SOAK: '1' } });
runBin('@playwright/test', ['test', '--config', 'soak/playwright.config.ts', '--reporter=line', ...process.argv.slice(2)]);
