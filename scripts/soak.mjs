// The long model and kill tests in the real browser. What follows `--` goes to the runner.
import { ensureBuilt, ensureChromium, ensureInstalled, runBin } from './ensure.mjs';

ensureInstalled();
ensureChromium();
ensureBuilt();
runBin('@playwright/test', ['test', '--config', 'soak/playwright.config.ts', '--reporter=line', ...process.argv.slice(2)]);
